/** The study: tables and the inquiries put to them, as one value. */
package app.knuckle.study.keeping;
