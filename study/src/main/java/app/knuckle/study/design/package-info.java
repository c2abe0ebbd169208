/**
 * What was asked: the inquiry, the groups it makes of a frame, and how the design reads.
 *
 * <p>In come a {@link app.knuckle.study.prep.Frame} and an {@link
 * app.knuckle.study.design.Inquiry}; out go {@link app.knuckle.study.design.Groups} and a {@link
 * app.knuckle.study.design.DesignReading}. No response is analysed here.
 */
package app.knuckle.study.design;
