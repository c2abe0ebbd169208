/** Field books that come back, held against the plan that they were made of. */
package app.knuckle.study.fieldbook;
