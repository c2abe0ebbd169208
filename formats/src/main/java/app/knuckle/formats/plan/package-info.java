/** What a plan is taken to the field as: book, labels, picture. */
package app.knuckle.formats.plan;
