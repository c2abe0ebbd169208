/** The Write-up joint: the page that goes into the paper, and the ways to take it away. */
package app.knuckle.desktop.writeup;
