/** A trial before it is made: what is asked of it, how it is laid out, what it will show. */
package app.knuckle.study.plan;
