package app.knuckle.stats.planning;

/**
 * A walk among Latin squares, which comes to each of them equally often: a square is a cube of 0
 * and 1 whose lines all sum to 1; a step adds and takes away along four edges, and may leave one
 * cell at -1 for a while.
 */
final class LatinSquares {

  /** Squares for every cell of the cube, after which the first square is forgotten. */
  private static final int ROUNDS = 4;

  private final int size;
  private final int[][][] cube;

  LatinSquares(int size) {
    this.size = size;
    cube = new int[size][size][size];
    for (int r = 0; r < size; r++) {
      for (int c = 0; c < size; c++) {
        cube[r][c][(r + c) % size] = 1;
      }
    }
  }

  int[][] walked(SeededRandom chance) {
    // Squares are counted, not steps: among squares, the walk comes to each equally often.
    int squares = ROUNDS * size * size * size;
    for (int square = 0; square < squares; square++) {
      int[] improper = proper(chance);
      while (improper != null) {
        improper = repaired(improper, chance);
      }
    }
    int[][] square = new int[size][size];
    for (int r = 0; r < size; r++) {
      for (int c = 0; c < size; c++) {
        for (int s = 0; s < size; s++) {
          square[r][c] = cube[r][c][s] == 1 ? s : square[r][c];
        }
      }
    }
    return square;
  }

  /** A step from a square: any cell of the cube that is 0 becomes 1. */
  private int[] proper(SeededRandom chance) {
    int r;
    int c;
    int s;
    do {
      r = chance.below(size);
      c = chance.below(size);
      s = chance.below(size);
    } while (cube[r][c][s] != 0);
    return move(r, c, s, one(0, c, s, chance), one(1, r, s, chance), one(2, r, c, chance));
  }

  /** A step from a cube with a cell of -1: this cell becomes 0. */
  private int[] repaired(int[] at, SeededRandom chance) {
    return move(
        at[0],
        at[1],
        at[2],
        one(0, at[1], at[2], chance),
        one(1, at[0], at[2], chance),
        one(2, at[0], at[1], chance));
  }

  /** A cell of 1 on a line; of two either. */
  private int one(int axis, int first, int second, SeededRandom chance) {
    int[] found = new int[2];
    int count = 0;
    for (int i = 0; i < size; i++) {
      int value =
          axis == 0
              ? cube[i][first][second]
              : axis == 1 ? cube[first][i][second] : cube[first][second][i];
      if (value == 1) {
        found[count++] = i;
      }
    }
    return found[count == 1 ? 0 : chance.below(2)];
  }

  private int[] move(int r, int c, int s, int r2, int c2, int s2) {
    cube[r][c][s]++;
    cube[r][c2][s2]++;
    cube[r2][c][s2]++;
    cube[r2][c2][s]++;
    cube[r2][c][s]--;
    cube[r][c2][s]--;
    cube[r][c][s2]--;
    cube[r2][c2][s2]--;
    return cube[r2][c2][s2] < 0 ? new int[] {r2, c2, s2} : null;
  }
}
