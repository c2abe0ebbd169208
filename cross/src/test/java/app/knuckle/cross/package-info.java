/**
 * The same numbers by other code: random inquiries of every method are answered by the program, and
 * again by short, plain, dense code written from the definitions. Least squares go through the
 * singular values of the whole matrix, ranks through sorting and counting, exact probabilities
 * through enumeration, distributions through quadrature. None of the program's own computation is
 * used here.
 */
package app.knuckle.cross;
