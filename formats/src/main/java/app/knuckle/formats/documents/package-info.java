/** Writes the page of an inquiry as files: .docx, PDF, HTML, RTF, Markdown, LaTeX and tables. */
package app.knuckle.formats.documents;
