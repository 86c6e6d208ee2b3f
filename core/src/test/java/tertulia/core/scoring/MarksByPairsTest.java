package tertulia.core.scoring;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import tertulia.core.scoring.Better.Much;

/** Marks proposed from pairs, against the conditions of a least-squares solution. */
public class MarksByPairsTest {
  private static final double TINY = 1e-9;

  private static List<String> contenders(int n) {
    return IntStream.range(0, n).mapToObj(i -> "t" + i).toList();
  }

  private static Map<String, String> shown(MarksByPairs proposal) {
    return proposal.marks().entrySet().stream()
        .collect(
            Collectors.toMap(
                Map.Entry::getKey, e -> MarksByPairs.shown(e.getValue()).toPlainString()));
  }

  @Test
  public void aChainIsReadAsItIsSaid() {
    MarksByPairs proposal =
        MarksByPairs.of(
            contenders(3),
            List.of(new Better("t0", "t1", Much.CLEAR), new Better("t1", "t2", Much.EDGE)),
            List.of());
    assertEquals(shown(proposal), Map.of("t0", "7.3", "t1", "4.3", "t2", "3.3"));
    assertEquals(proposal.worst(), Optional.empty(), "nothing contradicts");
    assertEquals(MarksByPairs.taken(proposal.marks().get("t0")), 7);
  }

  @Test
  public void theMeanIsThatOfTheMarksGiven() {
    MarksByPairs proposal =
        MarksByPairs.of(
            contenders(2),
            List.of(new Better("t1", "t0", Much.EDGE)),
            List.of(BigDecimal.valueOf(8), BigDecimal.valueOf(7)));
    assertEquals(shown(proposal), Map.of("t0", "7.0", "t1", "8.0"));
  }

  @Test
  public void whatWouldPassTheScaleIsDrawnTogether() {
    MarksByPairs proposal =
        MarksByPairs.of(
            contenders(2),
            List.of(new Better("t0", "t1", Much.CLEAR)),
            List.of(BigDecimal.valueOf(9), BigDecimal.TEN));
    assertEquals(shown(proposal), Map.of("t0", "10.0", "t1", "9.0"), "about 9.5");
  }

  @Test
  public void whoIsNotTiedToTheOthersGetsNone() {
    MarksByPairs proposal =
        MarksByPairs.of(
            contenders(5),
            List.of(
                new Better("t0", "t1", Much.EDGE),
                new Better("t2", "t3", Much.LEVEL),
                new Better("t3", "t4", Much.EDGE)),
            List.of());
    assertEquals(proposal.marks().keySet(), Set.of("t2", "t3", "t4"));
    assertEquals(proposal.untied(), List.of("t0", "t1"));
    assertEquals(MarksByPairs.of(contenders(2), List.of(), List.of()).marks(), Map.of());
  }

  @Test
  public void thePairThatFitsWorstIsNamed() {
    List<Better> ring =
        List.of(
            new Better("t0", "t1", Much.EDGE),
            new Better("t1", "t2", Much.EDGE),
            new Better("t2", "t3", Much.EDGE),
            new Better("t0", "t3", Much.EDGE));
    MarksByPairs.Misfit worst =
        MarksByPairs.of(contenders(4), ring, List.of()).worst().orElseThrow();
    assertEquals(worst.between().doubleValue(), 0.5, TINY, "all are half a mark off");
    List<Better> twisted = new ArrayList<>(ring);
    twisted.set(3, new Better("t3", "t0", Much.CLEAR));
    assertEquals(
        MarksByPairs.of(contenders(4), twisted, List.of()).worst().orElseThrow().stated().much(),
        Much.EDGE,
        "equally far, so the first");
  }

  @Test
  public void eightContendersTakeNoMoreThanTwelvePairs() {
    for (int n = 2; n <= 12; n++) {
      List<List<String>> asked = MarksByPairs.asked(contenders(n));
      assertTrue(asked.size() <= Math.max(1, n + n / 2), n + ": " + asked.size());
      assertEquals(
          new HashSet<>(asked.stream().map(HashSet::new).toList()).size(), asked.size(), "once");
      List<Better> level =
          asked.stream().map(p -> new Better(p.getFirst(), p.getLast(), Much.LEVEL)).toList();
      assertEquals(
          MarksByPairs.of(contenders(n), level, List.of()).marks().size(), n, "all are tied");
    }
    assertEquals(MarksByPairs.asked(contenders(8)).size(), 12);
  }

  /** At the least sum of squares what each is better by adds up to what was said of it. */
  @Test
  public void generatedPairsLeadToTheLeastSumOfSquares() {
    Random random = new Random(14);
    int drawn = 0;
    for (int round = 0; round < 400; round++) {
      int n = 2 + random.nextInt(9);
      List<Better> pairs = new ArrayList<>();
      for (List<String> pair : MarksByPairs.asked(contenders(n))) {
        boolean turned = random.nextBoolean();
        pairs.add(
            new Better(
                turned ? pair.getLast() : pair.getFirst(),
                turned ? pair.getFirst() : pair.getLast(),
                Much.values()[random.nextInt(3)]));
      }
      MarksByPairs proposal = MarksByPairs.of(contenders(n), pairs, List.of());
      double mean =
          proposal.marks().values().stream().mapToDouble(BigDecimal::doubleValue).sum() / n;
      assertEquals(mean, 5, TINY);
      boolean touches =
          proposal.marks().values().stream()
              .anyMatch(m -> m.signum() == 0 || m.compareTo(BigDecimal.TEN) == 0);
      if (touches) {
        drawn++;
        continue;
      }
      for (String own : contenders(n)) {
        double sum = 0;
        for (Better pair : pairs) {
          double off =
              proposal.marks().get(pair.better()).doubleValue()
                  - proposal.marks().get(pair.than()).doubleValue()
                  - pair.much().marks().doubleValue();
          sum += pair.better().equals(own) ? off : pair.than().equals(own) ? -off : 0;
        }
        assertEquals(sum, 0, TINY, own);
      }
    }
    assertTrue(drawn < 200, drawn + " drawn together");
  }

  /** Against looking at every order: without a ring there is an order that keeps all pairs. */
  @Test
  public void aRingIsFoundJustWhereNoOrderKeepsAllPairs() {
    List<String> four = List.of("a", "b", "c", "d");
    Random random = new Random(32);
    int rings = 0;
    for (int round = 0; round < 600; round++) {
      List<Better> pairs = new ArrayList<>();
      for (int i = 0; i < 4; i++) {
        for (int j = i + 1; j < 4; j++) {
          boolean first = random.nextBoolean();
          if (random.nextInt(3) > 0) {
            pairs.add(
                new Better(
                    four.get(first ? i : j),
                    four.get(first ? j : i),
                    Better.Much.values()[random.nextInt(3)]));
          }
        }
      }
      Optional<List<String>> ring = MarksByPairs.ring(pairs);
      assertEquals(ring.isEmpty(), keeps(List.of(), four, pairs), "" + pairs);
      ring.ifPresent(found -> {
        assertTrue(found.size() > 2, "two are compared once");
        for (int i = 0; i < found.size(); i++) {
          String one = found.get(i);
          String next = found.get((i + 1) % found.size());
          assertTrue(
              pairs.stream()
                  .anyMatch(p ->
                      p.better().equals(one)
                          && p.than().equals(next)
                          && p.much() != Better.Much.LEVEL),
              found + " of " + pairs);
        }
      });
      rings += ring.isPresent() ? 1 : 0;
    }
    assertTrue(rings > 20, rings + " rings");
  }

  /** Whether some order that begins so keeps all pairs that are not level. */
  private static boolean keeps(List<String> begun, List<String> left, List<Better> pairs) {
    if (left.isEmpty()) {
      return pairs.stream()
          .allMatch(p ->
              p.much() == Better.Much.LEVEL || begun.indexOf(p.better()) < begun.indexOf(p.than()));
    }
    return left.stream()
        .anyMatch(next -> {
          List<String> more = new ArrayList<>(begun);
          more.add(next);
          return keeps(more, left.stream().filter(c -> !c.equals(next)).toList(), pairs);
        });
  }
}
