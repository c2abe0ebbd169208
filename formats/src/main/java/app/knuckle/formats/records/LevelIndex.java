package app.knuckle.formats.records;

import java.util.Arrays;

/**
 * Finds the code of a text without making the text: a column of names says the same few ones
 * millions of times. Open addressing, at most half full.
 */
final class LevelIndex {

  /** What is given for a text that is not known. */
  static final int UNKNOWN = Integer.MIN_VALUE;

  /** 2^32 over the golden ratio: names that differ in a digit or two come to lie far apart. */
  private static final int SPREAD = 0x9E3779B9;

  private String[] texts = new String[64];
  private int[] codes = new int[64];
  private int size;

  /**
   * The code of a text.
   *
   * @param letters of which some are the text
   * @param from where it begins
   * @param length of it
   * @return as put, or {@link #UNKNOWN}
   */
  int code(char[] letters, int from, int length) {
    int slot = slot(letters, from, length);
    return texts[slot] == null ? UNKNOWN : codes[slot];
  }

  /**
   * Keeps a text.
   *
   * @param text not known yet
   * @param code not {@link #UNKNOWN}
   */
  void put(String text, int code) {
    if (2 * size == texts.length) {
      grow();
    }
    int slot = slot(text);
    texts[slot] = text;
    codes[slot] = code;
    size++;
  }

  private void grow() {
    String[] oldTexts = texts;
    int[] oldCodes = codes;
    texts = new String[2 * oldTexts.length];
    codes = Arrays.copyOf(oldCodes, texts.length);
    for (int i = 0; i < oldTexts.length; i++) {
      if (oldTexts[i] != null) {
        int slot = slot(oldTexts[i]);
        texts[slot] = oldTexts[i];
        codes[slot] = oldCodes[i];
      }
    }
  }

  private int slot(String text) {
    return slot(text.toCharArray(), 0, text.length());
  }

  /** Where a text is, or would be. */
  private int slot(char[] letters, int from, int length) {
    int hash = 0;
    for (int i = from; i < from + length; i++) {
      hash = 31 * hash + letters[i];
    }
    int mask = texts.length - 1;
    int slot = (hash * SPREAD) >>> Integer.numberOfLeadingZeros(mask) & mask;
    while (texts[slot] != null && !isAt(slot, letters, from, length)) {
      slot = slot + 1 & mask;
    }
    return slot;
  }

  private boolean isAt(int slot, char[] letters, int from, int length) {
    String text = texts[slot];
    if (text.length() != length) {
      return false;
    }
    for (int i = 0; i < length; i++) {
      if (text.charAt(i) != letters[from + i]) {
        return false;
      }
    }
    return true;
  }
}
