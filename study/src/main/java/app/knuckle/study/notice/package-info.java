/**
 * What is odd about records and worth a look: stray spellings, codes for missing, lone levels.
 *
 * <p>{@link app.knuckle.study.notice.Notices} looks at a frame and gives {@link
 * app.knuckle.study.notice.Notice} values; a notice carries its fix as steps of the prep trail, so
 * that it vanishes once the fix is taken.
 */
package app.knuckle.study.notice;
