/** The Layout joint: the design sentence, the plot plan, the skeleton and what is asked. */
package app.knuckle.desktop.layout;
