package tertulia.app.chart;

import java.util.List;
import org.joda.money.Money;

/**
 * Amounts of something month after month.
 *
 * @param mark place of its colour, shape and dash; 0: it is none of the contenders
 */
public record Monthly(String name, int mark, List<Money> months) {
  public Monthly {
    months = List.copyOf(months);
  }
}
