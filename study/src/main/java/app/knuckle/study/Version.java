package app.knuckle.study;

/** Which version of the program this is. */
public final class Version {

  /** Its number, as the build has it. */
  public static final String NUMBER = "0.1.0";

  private Version() {}
}
