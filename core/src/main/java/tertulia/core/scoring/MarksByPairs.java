package tertulia.core.scoring;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Marks that pairs of contenders lead to under one criterion: those x with the least Σ (x(better) −
 * x(than) − marks between)², whose mean is the mean of the marks the person gave, 5 without any;
 * drawn together about it where 0 or 10 would be passed. Clearly A over B and an edge of B over C
 * give A 7.3, B 4.3 and C 3.3 about 5.
 *
 * @param marks by contender id, 0 to 10, exact; none for those that are not tied to the others
 * @param untied contenders that no chain of pairs ties to those with marks
 * @param worst the pair furthest from what the marks say; empty if all fit
 */
public record MarksByPairs(
    Map<String, BigDecimal> marks, List<String> untied, Optional<Misfit> worst) {
  private static final MathContext ROOM = MathContext.DECIMAL128;
  private static final BigDecimal MIDDLE = BigDecimal.valueOf(5);

  /** Pairs nearer than this to what the marks say fit them. */
  private static final BigDecimal FITS = new BigDecimal("1E-9");

  public MarksByPairs {
    marks = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(marks));
    untied = List.copyOf(untied);
  }

  /**
   * A pair and the marks that lie between its two by all of them.
   *
   * @param between marks of {@code stated.better} less those of {@code stated.than}
   */
  public record Misfit(Better stated, BigDecimal between) {
    BigDecimal distance() {
      return stated.much().marks().subtract(between).abs();
    }
  }

  /** A mark to a tenth, as it is shown. */
  public static BigDecimal shown(BigDecimal mark) {
    return mark.setScale(1, RoundingMode.HALF_UP);
  }

  /** A mark as it is taken over: whole. */
  public static int taken(BigDecimal mark) {
    return mark.setScale(0, RoundingMode.HALF_UP).intValueExact();
  }

  /**
   * The marks that pairs lead to.
   *
   * @param contenders ids, in their order
   * @param pairs of these contenders, each two at most once
   * @param given the marks the person gave under this criterion, 0 to 10
   */
  public static MarksByPairs of(
      List<String> contenders, List<Better> pairs, List<BigDecimal> given) {
    List<String> tied = largest(contenders, pairs);
    List<String> untied = contenders.stream().filter(c -> !tied.contains(c)).toList();
    if (tied.isEmpty()) {
      return new MarksByPairs(Map.of(), untied, Optional.empty());
    }
    List<Better> among = pairs.stream().filter(p -> tied.contains(p.better())).toList();
    BigDecimal[] apart = solve(tied, among);
    BigDecimal mean = mean(given);
    Map<String, BigDecimal> marks = new LinkedHashMap<>();
    BigDecimal part = part(apart, mean);
    for (int i = 0; i < apart.length; i++) {
      BigDecimal mark = mean.add(apart[i].multiply(part, ROOM), ROOM);
      marks.put(tied.get(i), mark.max(BigDecimal.ZERO).min(BigDecimal.TEN));
    }
    return new MarksByPairs(marks, untied, worst(tied, among, apart));
  }

  /**
   * The smallest ring among pairs: each contender in it was said to be better than the next, and
   * the last than the first, so that one of them cannot be. Empty if there is none.
   */
  public static Optional<List<String>> ring(List<Better> pairs) {
    List<Better> strict = pairs.stream().filter(p -> p.much() != Better.Much.LEVEL).toList();
    return strict.stream()
        .map(Better::better)
        .distinct()
        .flatMap(contender -> ring(contender, strict).stream())
        .min(Comparator.comparing(List::size));
  }

  /** The smallest ring through one contender: ways grow a pair at a time until one comes back. */
  private static Optional<List<String>> ring(String start, List<Better> strict) {
    Set<String> reached = new HashSet<>();
    List<List<String>> ways = List.of(List.of(start));
    while (!ways.isEmpty()) {
      List<List<String>> longer = new ArrayList<>();
      for (List<String> way : ways) {
        for (Better pair : strict) {
          if (pair.better().equals(way.getLast())) {
            if (pair.than().equals(start)) {
              return Optional.of(way);
            }
            if (reached.add(pair.than())) {
              List<String> next = new ArrayList<>(way);
              next.add(pair.than());
              longer.add(next);
            }
          }
        }
      }
      ways = longer;
    }
    return Optional.empty();
  }

  private static BigDecimal mean(List<BigDecimal> given) {
    return given.isEmpty()
        ? MIDDLE
        : given.stream()
            .reduce(BigDecimal.ZERO, BigDecimal::add)
            .divide(BigDecimal.valueOf(given.size()), ROOM);
  }

  /** The most contenders that pairs tie together, at least two; of as many the first. */
  private static List<String> largest(List<String> contenders, List<Better> pairs) {
    List<String> largest = List.of();
    Set<String> seen = new HashSet<>();
    for (String contender : contenders) {
      if (!seen.contains(contender)) {
        Set<String> group = new HashSet<>(Set.of(contender));
        boolean grows = true;
        while (grows) {
          grows = false;
          for (Better pair : pairs) {
            boolean one = group.contains(pair.better());
            boolean other = group.contains(pair.than());
            if (one != other) {
              grows |= group.add(one ? pair.than() : pair.better());
            }
          }
        }
        seen.addAll(group);
        if (group.size() > Math.max(1, largest.size())) {
          largest = contenders.stream().filter(group::contains).toList();
        }
      }
    }
    return largest;
  }

  /**
   * The marks less their mean: (L + J) x = b, with L how often each is compared on the diagonal
   * less one for each pair, J all ones, so that the x add up to 0, and b what each is better by.
   */
  private static BigDecimal[] solve(List<String> tied, List<Better> pairs) {
    int n = tied.size();
    BigDecimal[][] rows = new BigDecimal[n][n + 1];
    for (BigDecimal[] row : rows) {
      java.util.Arrays.fill(row, BigDecimal.ONE);
      row[n] = BigDecimal.ZERO;
    }
    for (Better pair : pairs) {
      int a = tied.indexOf(pair.better());
      int b = tied.indexOf(pair.than());
      rows[a][a] = rows[a][a].add(BigDecimal.ONE);
      rows[b][b] = rows[b][b].add(BigDecimal.ONE);
      rows[a][b] = rows[a][b].subtract(BigDecimal.ONE);
      rows[b][a] = rows[b][a].subtract(BigDecimal.ONE);
      rows[a][n] = rows[a][n].add(pair.much().marks());
      rows[b][n] = rows[b][n].subtract(pair.much().marks());
    }
    return eliminate(rows);
  }

  /** By elimination; the matrix is positive definite, so no row has to be exchanged. */
  private static BigDecimal[] eliminate(BigDecimal[][] rows) {
    int n = rows.length;
    for (int i = 0; i < n; i++) {
      for (int r = i + 1; r < n; r++) {
        BigDecimal times = rows[r][i].divide(rows[i][i], ROOM);
        for (int c = i; c <= n; c++) {
          rows[r][c] = rows[r][c].subtract(times.multiply(rows[i][c], ROOM), ROOM);
        }
      }
    }
    BigDecimal[] x = new BigDecimal[n];
    for (int i = n - 1; i >= 0; i--) {
      BigDecimal rest = rows[i][n];
      for (int c = i + 1; c < n; c++) {
        rest = rest.subtract(rows[i][c].multiply(x[c], ROOM), ROOM);
      }
      x[i] = rest.divide(rows[i][i], ROOM);
    }
    return x;
  }

  /** By how much they are drawn together so that none passes 0 or 10; 1 if none does. */
  private static BigDecimal part(BigDecimal[] apart, BigDecimal mean) {
    BigDecimal part = BigDecimal.ONE;
    for (BigDecimal own : apart) {
      BigDecimal room = own.signum() > 0 ? BigDecimal.TEN.subtract(mean) : mean;
      if (own.abs().compareTo(room) > 0) {
        part = part.min(room.divide(own.abs(), ROOM));
      }
    }
    return part;
  }

  private static Optional<Misfit> worst(List<String> tied, List<Better> pairs, BigDecimal[] apart) {
    return pairs.stream()
        .map(pair ->
            new Misfit(
                pair,
                apart[tied.indexOf(pair.better())].subtract(apart[tied.indexOf(pair.than())])))
        .filter(misfit -> misfit.distance().compareTo(FITS) > 0)
        .reduce((a, b) -> b.distance().subtract(a.distance()).compareTo(FITS) > 0 ? b : a);
  }

  /**
   * Pairs to ask for: enough that every contender is tied to every other in two ways or more, and
   * no more than one and a half for each. Each in a ring with its neighbours, and with the one
   * across.
   */
  public static List<List<String>> asked(List<String> contenders) {
    int n = contenders.size();
    List<List<String>> asked = new ArrayList<>();
    for (int i = 0; i + 1 < n; i++) {
      asked.add(List.of(contenders.get(i), contenders.get(i + 1)));
    }
    if (n > 2) {
      asked.add(List.of(contenders.getFirst(), contenders.getLast()));
    }
    for (int i = 0; n > 3 && i < n / 2; i++) {
      asked.add(List.of(contenders.get(i), contenders.get(i + n / 2)));
    }
    return asked.stream()
        .sorted(Comparator.comparingInt(pair -> contenders.indexOf(pair.getFirst())))
        .toList();
  }
}
