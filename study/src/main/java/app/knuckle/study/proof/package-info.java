/** The numbers of this program on this machine, held against reference cases that it ships. */
package app.knuckle.study.proof;
