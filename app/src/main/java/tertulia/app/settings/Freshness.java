package tertulia.app.settings;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.exchange.Codes;
import tertulia.core.working.Provenance;

/** After how many days a fact is marked as old. */
@Service
public class Freshness {
  private static final String NAME = "days-fresh";
  private static final int MOST_DAYS = 3650;
  private final SettingRows rows;

  Freshness(SettingRows rows) {
    this.rows = rows;
  }

  /** Days a fact stays fresh, 1 to 3650; 180 unless somebody set another number. */
  @Transactional(readOnly = true)
  public int days() {
    return rows.findById(NAME)
        .map(row -> Integer.parseInt(row.content))
        .orElse(Provenance.DAYS_FRESH);
  }

  /**
   * Sets the days.
   *
   * @throws IllegalArgumentException if the text is no number of days from 1 to 3650
   */
  @Transactional
  public void change(String text) {
    int days = Codes.whole(text);
    if (days < 1 || days > MOST_DAYS) {
      throw new IllegalArgumentException(
          "Facts stay fresh for 1 to 3650 days; found " + days + ".");
    }
    SettingRow row = rows.findById(NAME).orElseGet(SettingRow::new);
    row.name = NAME;
    row.content = "" + days;
    rows.save(row);
  }
}
