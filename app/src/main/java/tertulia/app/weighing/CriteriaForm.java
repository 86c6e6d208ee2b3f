package tertulia.app.weighing;

import java.util.ArrayList;
import java.util.List;

/** The criteria as typed. */
public class CriteriaForm {
  public long version;
  public List<Line> criteria = new ArrayList<>();

  /** One criterion; only the figures of its kind are read. */
  public static class Line {
    public String id = "";
    public String name = "";
    public String kind = "judged";
    public String worst = "";
    public String best = "";
    public String prior = "";
    public String strength = "";
    public String meaning = "";
    public String heading = "";
  }
}
