package app.knuckle.study.cells;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.summary.SortedValues;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Groups;
import app.knuckle.study.design.Questions;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** The groups that treatments make of the rows in play, and what each is like. */
public final class CellGroups {

  /** More combinations than this are no experiment, and would not be read. */
  private static final double MOST_CELLS = 10_000;

  private final Frame frame;
  private final Numbers response;
  private final List<Factor> factors;

  /** The cell of each row; -1 for rows out of play or without a level of any treatment. */
  private final int[] cells;

  /** Values of the response in each cell, missing ones not counted. */
  private final int[] counts;

  /**
   * Finds the cells.
   *
   * @param frame the records
   * @param treatments columns that make the groups; none for one group of all rows
   * @param response whose values are grouped
   * @throws Refused if the treatments have more combinations of levels than can be distinguished
   */
  public CellGroups(Frame frame, List<String> treatments, Numbers response) {
    this.frame = frame;
    this.response = response;
    Parts parts = new Parts(frame, List.of(), treatments);
    factors = parts.factors(treatments);
    requireFewCells(treatments);
    cells = cells();
    counts = count();
  }

  /** Groups are made of every combination of levels: their number must be one that can be held. */
  private void requireFewCells(List<String> treatments) {
    double number = factors.stream().mapToDouble(Factor::size).reduce(1, (a, b) -> a * b);
    if (treatments.size() > 1 && number > MOST_CELLS) {
      throw Refused.at(
          new Place.Key("inquiry", List.of("treatments")),
          say("refused.too-many-combinations", Numerals.list(treatments), Numerals.plain(number)),
          say("way.leave-out-no-treatment"));
    }
  }

  private int[] cells() {
    int[] codes = Factor.combinations(factors, frame.rows());
    frame.leftOut().keySet().forEach(row -> codes[row] = -1);
    return codes;
  }

  private int[] count() {
    int[] values = new int[factors.stream().mapToInt(Factor::size).reduce(1, (a, b) -> a * b)];
    for (int row = 0; row < cells.length; row++) {
      if (cells[row] >= 0 && !response.isMissing(row)) {
        values[cells[row]]++;
      }
    }
    return values;
  }

  /** The records: as given. */
  public Frame frame() {
    return frame;
  }

  /** What makes the groups: one a treatment, in order. */
  public List<Factor> factors() {
    return factors;
  }

  /**
   * Summaries, with intervals at the usual level.
   *
   * @param progress asked on the way
   * @return all rows, each treatment, the cells of all treatments
   */
  public List<GroupSummary> summaries(Progress progress) {
    List<SortedValues> values = values(progress);
    List<List<Factor>> groupings = new ArrayList<>();
    groupings.add(List.of());
    factors.forEach(factor -> groupings.add(List.of(factor)));
    if (factors.size() > 1) {
      groupings.add(factors);
    }
    return groupings.parallelStream()
        .flatMap(by -> of(by, values, progress).stream())
        .collect(Collectors.toCollection(ArrayList::new));
  }

  /** The values of each cell. */
  private List<SortedValues> values(Progress progress) {
    int[] sizes = new int[counts.length];
    for (int cell : cells) {
      if (cell >= 0) {
        sizes[cell]++;
      }
    }
    double[][] values = new double[counts.length][];
    Arrays.setAll(values, cell -> new double[sizes[cell]]);
    int[] next = new int[counts.length];
    for (int row = 0; row < cells.length; row++) {
      if (cells[row] >= 0) {
        values[cells[row]][next[cells[row]]++] = response.value(row);
      }
    }
    // Many cells are sorted side by side, few one after the other by all cores.
    boolean many = values.length >= MANY_CELLS;
    IntStream all = IntStream.range(0, values.length);
    return (many ? all.parallel() : all)
        .mapToObj(
            cell -> {
              progress.check();
              if (many) {
                Arrays.sort(values[cell]);
              } else {
                Arrays.parallelSort(values[cell]);
              }
              return SortedValues.of(values[cell]);
            })
        .toList();
  }

  /** With fewer cells than this some core would wait for the last one. */
  private static final int MANY_CELLS = 8;

  /** Groups are made of whole cells, whose sums they take over. */
  private List<GroupSummary> of(List<Factor> by, List<SortedValues> values, Progress progress) {
    int groups = by.stream().mapToInt(Factor::size).reduce(1, (a, b) -> a * b);
    List<List<SortedValues>> parts = new ArrayList<>();
    for (int group = 0; group < groups; group++) {
      parts.add(new ArrayList<>());
    }
    for (int cell = 0; cell < values.size(); cell++) {
      parts.get(group(by, cell)).add(values.get(cell));
    }
    List<GroupSummary> summaries = new ArrayList<>();
    for (int group = 0; group < groups; group++) {
      progress.check();
      summaries.add(
          new GroupSummary(levels(by, group), Summary.of(parts.get(group), Questions.USUAL_ALPHA)));
    }
    return summaries;
  }

  /** The group, by some of the treatments, that a cell of all of them belongs to. */
  private int group(List<Factor> by, int cell) {
    int[] codes = new int[factors.size()];
    int rest = cell;
    for (int f = codes.length - 1; f >= 0; f--) {
      codes[f] = rest % factors.get(f).size();
      rest /= factors.get(f).size();
    }
    int group = 0;
    for (Factor factor : by) {
      group = group * factor.size() + codes[factors.indexOf(factor)];
    }
    return group;
  }

  private static Map<String, String> levels(List<Factor> by, int cell) {
    Map<String, String> levels = new LinkedHashMap<>();
    int rest = cell;
    String[] names = new String[by.size()];
    for (int f = by.size() - 1; f >= 0; f--) {
      names[f] = by.get(f).levels().get(rest % by.get(f).size());
      rest /= by.get(f).size();
    }
    for (int f = 0; f < names.length; f++) {
      levels.put(by.get(f).name(), names[f]);
    }
    return levels;
  }

  /** Values of the response in each cell, empty ones as well: one a cell; a copy. */
  public int[] counts() {
    return counts.clone();
  }

  /**
   * The name of a cell.
   *
   * @param cell from 0
   * @return its levels; "all rows" without a treatment
   */
  public String name(int cell) {
    return factors.isEmpty() ? say("rows.all") : GroupSummary.name(levels(factors, cell).values());
  }

  /** What makes the groups: the treatment, or a column of all treatments together. */
  private Column treatment() {
    if (factors.size() == 1) {
      return frame.column(factors.get(0).name());
    }
    String name =
        factors.isEmpty()
            ? say("rows.all")
            : String.join(" and ", factors.stream().map(Factor::name).toList());
    List<String> levels = new ArrayList<>();
    for (int cell = 0; cell < counts.length; cell++) {
      levels.add(name(cell));
    }
    return new Categories(name, "", cells, levels, false);
  }

  /** The groups that have a value of the response, in the order of the cells. */
  public Groups filled() {
    int[] to = new int[counts.length];
    List<String> levels = new ArrayList<>();
    for (int cell = 0; cell < counts.length; cell++) {
      to[cell] = counts[cell] > 0 ? levels.size() : -1;
      if (counts[cell] > 0) {
        levels.add(name(cell));
      }
    }
    int[] codes = Arrays.stream(cells).map(c -> c < 0 ? -1 : to[c]).toArray();
    return new Groups(
        treatment(), levels, codes, Arrays.stream(counts).filter(n -> n > 0).toArray());
  }
}
