package tertulia.core.sensitivity;

import java.util.List;
import tertulia.core.growth.Measure;

/**
 * Under what it was looked who leads.
 *
 * @param people up to so many; 0: no headcount was tried
 * @param quantities by how much there is of these
 * @param dropped so many musts given up, each alone
 * @param required so many other needs made a must, each alone
 * @param terms so many other choices of terms
 * @param scenarios so many other ways growth may come out
 * @param facts so many facts nobody has confirmed, taken to be there, each alone
 * @param weights so many weights, each from 0 to 100 %
 * @param views so many views left out, each alone
 */
public record Tried(
    int people,
    List<Measure> quantities,
    int dropped,
    int required,
    int terms,
    int scenarios,
    int facts,
    int weights,
    int views) {
  public Tried {
    quantities = List.copyOf(quantities);
  }
}
