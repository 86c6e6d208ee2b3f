package tertulia.pagetext;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jspecify.annotations.Nullable;

/**
 * A made-up price page: its text in one of the shapes such pages have, and what it says, cell by
 * cell.
 *
 * @param says value by cell, such as "Wherry/price/12/seats" with "7.5000 EUR"
 */
record GeneratedPage(Shape shape, String text, Map<String, String> says) {
  /** How a page's text stands after it was copied. */
  enum Shape {
    CARDS,
    CARDS_WITHOUT_GAPS,
    SENTENCES,
    BULLETS,
    TABLE,
    BARRED_TABLE,
    TABLE_FLATTENED,
    YEARS,
    STRUCK,
    BANDS
  }

  private static final List<String> NAMES =
      List.of(
          "Wherry",
          "Coaster",
          "Fleet",
          "Dinghy",
          "Ketch",
          "Brig",
          "Mole",
          "Jetty",
          "Harbour",
          "Tender",
          "Ferry",
          "Pilot",
          "Convoy",
          "Buoy",
          "Crew Plus",
          "Starter",
          "Whole Fleet");
  private static final List<String> CAPABILITIES =
      List.of(
          "Single sign-on",
          "Audit log",
          "Shared calendar",
          "Guest access",
          "Waiting list",
          "Offline use",
          "Reminders by text",
          "Own domain",
          "Approval steps",
          "Calendar feed",
          "24/7 help by phone",
          "Two-factor sign-in");

  /** What pages say besides, and no sheet holds. */
  private static final List<String> NOISE =
      List.of(
          "“It saved us 3 hours a week.” Mara, harbour master",
          "4.8 stars from 120 reviews",
          "Trusted by 300 crews",
          "99.9 % uptime",
          "5 offices on three continents",
          "Save 20 % with yearly billing",
          "Help within 4 hours",
          "Answers in 2 working days",
          "Used in 14 countries",
          "History of 90 days",
          "See how it compares →",
          "Winner of 12 awards",
          "10 % for charities",
          "Founded 2019",
          "Save €24 a year",
          "You save $30 per user per year",
          "Up to €10,000 in payments a month",
          "✓ €50 voucher for new crews",
          "£5 off your first booking",
          "• Insured up to CHF 1,000");

  /** Counted in a unit that is no measure of the catalogue. */
  private static final String DASHBOARDS = "own/level/dashboard/dashboards";

  private static final List<String> SEAT = List.of("user", "seat", "member", "person");

  /** Writes one page after the other from one source of chance. */
  static final class Writer {
    private final Random random;
    private final Map<String, String> says = new LinkedHashMap<>();
    private final List<String> lines = new ArrayList<>();
    private int numbers;
    private int money;
    private String currency = "";
    private String unit = "";
    private boolean hosts;
    private List<String> capabilities = List.of();

    Writer(Random random) {
      this.random = random;
    }

    GeneratedPage page(Shape shape) {
      says.clear();
      lines.clear();
      numbers = random.nextInt(4);
      money = random.nextInt(3);
      currency = one(List.of("EUR", "USD", "GBP", "CHF"));
      hosts = random.nextInt(5) == 0;
      unit = hosts ? one(List.of("host", "organiser")) : one(SEAT);
      List<String> all = new ArrayList<>(CAPABILITIES);
      Collections.shuffle(all, random);
      capabilities = all.subList(0, 3 + random.nextInt(3));
      List<Plan> plans = plans(shape);
      title();
      switch (shape) {
        case CARDS, YEARS, STRUCK -> cards(plans, shape, true);
        case CARDS_WITHOUT_GAPS -> cards(plans, shape, false);
        case SENTENCES -> sentences(plans, "");
        case BULLETS -> sentences(plans, one(List.of("• ", "- ", "* ")));
        case TABLE -> table(plans, "\t");
        case BARRED_TABLE -> table(plans, " | ");
        case TABLE_FLATTENED -> table(plans, "\n");
        case BANDS -> bands(plans);
      }
      ending();
      return new GeneratedPage(shape, String.join("\n", lines), Map.copyOf(says));
    }

    /** A heading, or a title that names the tool; that may stand right above the first plan. */
    private void title() {
      switch (random.nextInt(4)) {
        case 0 -> {
          lines.add(
              one(
                  List.of(
                      "Pricing", "Our plans", "Simple prices for every crew", "Plans and prices")));
          noise();
          lines.add("");
        }
        case 1 -> {
          String tool = one(List.of("Ovenroster", "Still Water", "Tide & Co", "Loafshift 2"));
          lines.add(
              one(
                  List.of(
                      tool + " pricing",
                      tool + "'s prices",
                      tool + " – Plans and pricing",
                      "Pricing for " + tool,
                      "Prices: " + tool)));
          says.put("tool", tool);
          if (random.nextBoolean()) {
            lines.add("");
          }
        }
        default -> {}
      }
    }

    private static final class Plan {
      String name = "";
      String basis = "LISTED";
      @Nullable BigDecimal monthly;
      @Nullable BigDecimal yearly;
      boolean account;
      int most;
      int least;
      final Map<String, Integer> limits = new LinkedHashMap<>();
      final Map<String, String> answers = new LinkedHashMap<>();
    }

    private List<Plan> plans(Shape shape) {
      List<String> names = new ArrayList<>(NAMES);
      Collections.shuffle(names, random);
      List<Plan> plans = new ArrayList<>();
      int count = 2 + random.nextInt(3);
      BigDecimal price = BigDecimal.valueOf(300 + random.nextInt(900), 2);
      boolean both = random.nextBoolean();
      boolean yearlyOnly = shape == Shape.YEARS || random.nextBoolean();
      for (int i = 0; i < count; i++) {
        Plan plan = new Plan();
        plan.name = names.get(i);
        boolean priced = shape == Shape.YEARS || shape == Shape.STRUCK || shape == Shape.BANDS;
        if (i == 0 && count > 2 && !priced && random.nextInt(3) == 0) {
          plan.basis = "FREE";
        } else if (i == count - 1 && count > 2 && !priced && random.nextInt(3) == 0) {
          plan.basis = "ON_REQUEST";
        } else {
          plan.account =
              !hosts && shape != Shape.STRUCK && shape != Shape.BANDS && random.nextInt(6) == 0;
          BigDecimal one =
              plan.account
                  ? price.multiply(BigDecimal.valueOf(170)).setScale(0, RoundingMode.DOWN)
                  : price;
          if (shape == Shape.STRUCK || !yearlyOnly || both && shape != Shape.YEARS) {
            plan.monthly = one;
          }
          if (shape != Shape.STRUCK && (yearlyOnly || both)) {
            plan.yearly =
                one.multiply(new BigDecimal("0.8"))
                    .setScale(plan.account ? 0 : 2, RoundingMode.HALF_UP);
          }
          price = price.multiply(new BigDecimal("1.6")).setScale(2, RoundingMode.HALF_UP);
        }
        plan.most =
            hosts || plan.account || random.nextInt(3) > 0 ? 0 : 5 * (1 + random.nextInt(40));
        plan.least =
            hosts
                    || plan.account
                    || plan.most > 0
                    || !plan.basis.equals("LISTED")
                    || random.nextInt(4) > 0
                ? 0
                : 2 + random.nextInt(6);
        limits(plan);
        for (int c = 0; c < capabilities.size(); c++) {
          if (random.nextInt(4) > 0) {
            plan.answers.put(capabilities.get(c), random.nextInt(3) > 0 ? "YES" : "NO");
          }
        }
        plans.add(plan);
      }
      return plans;
    }

    private void limits(Plan plan) {
      if (random.nextBoolean()) {
        plan.limits.put("automation-runs", 250 * (1 + random.nextInt(20)));
      }
      if (random.nextInt(3) == 0) {
        plan.limits.put("gigabytes-kept", 5 * (1 + random.nextInt(30)));
      }
      if (random.nextInt(3) == 0) {
        plan.limits.put("calendars", random.nextInt(4) == 0 ? 0 : 2 + random.nextInt(8));
      }
      if (random.nextInt(4) == 0) {
        plan.limits.put("people-in-a-call", 25 * (1 + random.nextInt(12)));
      }
      if (random.nextInt(4) == 0) {
        plan.limits.put(DASHBOARDS, 2 + random.nextInt(40));
      }
    }

    // what the page says

    private void expectPlan(Plan plan) {
      says.put(plan.name + "/basis", plan.basis);
      if (plan.most > 0) {
        says.put(plan.name + "/most", "" + plan.most);
      }
      if (plan.least > 0) {
        says.put(plan.name + "/least", "" + plan.least);
      }
      plan.limits.forEach(
          (measure, n) -> says.put(plan.name + "/limit/" + measure, n == 0 ? "unlimited" : "" + n));
    }

    private String each(Plan plan) {
      return plan.account ? "account" : hosts ? "hosts" : "seats";
    }

    private void expectPrice(Plan plan, String term, BigDecimal aMonth) {
      says.put(
          plan.name + "/price/" + term + "/" + each(plan),
          aMonth.setScale(4, RoundingMode.HALF_UP) + " " + currency);
    }

    // how it says it

    private String amount(BigDecimal value) {
      BigDecimal plain = value.setScale(2, RoundingMode.HALF_UP);
      boolean round = plain.stripTrailingZeros().scale() <= 0 && random.nextBoolean();
      String[] parts = plain.toPlainString().split("\\.");
      String separator = List.of(",", ".", "'", " ").get(numbers);
      String decimal = numbers == 0 || numbers == 2 ? "." : ",";
      String whole = parts[0].replaceAll("(?<=\\d)(?=(\\d{3})+$)", separator);
      String written = round ? whole : whole + decimal + parts[1];
      String sign =
          switch (currency) {
            case "EUR" -> "€";
            case "USD" -> "$";
            case "GBP" -> "£";
            default -> currency + " ";
          };
      return switch (money) {
        case 0 -> sign + written;
        case 1 -> written + " " + sign.strip();
        default -> currency + " " + written;
      };
    }

    private String count(int n) {
      String separator = List.of(",", ".", "'", " ").get(numbers);
      return ("" + n).replaceAll("(?<=\\d)(?=(\\d{3})+$)", separator);
    }

    private String per(Plan plan) {
      if (plan.account) {
        return one(List.of(" per team", " flat", " for the whole company", " per account"));
      }
      return one(
          List.of(" per " + unit, "/" + unit, " a " + unit, " / " + unit, " for each " + unit));
    }

    private String month() {
      return one(List.of(" per month", "/month", " a month", "/mo", " and month", " monthly"));
    }

    private String billedYearly() {
      return one(
          List.of(
              "billed annually",
              "billed yearly",
              "paid yearly",
              "when billed for the year",
              "with annual billing"));
    }

    private String billedMonthly() {
      return one(List.of("billed monthly", "paid monthly", "month to month", "billed every month"));
    }

    private String size(Plan plan) {
      String people = hosts ? "people" : one(List.of("users", "people", "members", "seats"));
      if (plan.most > 0) {
        return one(List.of("Up to ", "Max. ", "For up to ")) + count(plan.most) + " " + people;
      }
      return plan.least > 0
          ? one(List.of("At least ", "Minimum ", "From ", "Min. ")) + plan.least + " " + people
          : "";
    }

    private String limit(String measure, int n) {
      String many = n == 0 ? "Unlimited" : count(n);
      return switch (measure) {
        case "automation-runs" ->
            many + " automation runs" + one(List.of(" per month", " a month", "/month"));
        case "gigabytes-kept" -> many + one(List.of(" GB storage", " GB", " GB of storage"));
        case "calendars" ->
            many + one(List.of(" linked calendars", " calendars", " connected calendars"));
        case DASHBOARDS -> many + " dashboards";
        default ->
            one(
                List.of(
                    "Calls with up to " + many + " people",
                    "Meetings of up to " + many + " participants"));
      };
    }

    private void cards(List<Plan> plans, Shape shape, boolean gaps) {
      boolean ticks = random.nextBoolean();
      for (Plan plan : plans) {
        expectPlan(plan);
        lines.add(plan.name);
        if (gaps && random.nextInt(3) == 0) {
          lines.add(
              one(
                  List.of(
                      "For small crews that grow.",
                      "Best for teams with several piers.",
                      "Most popular",
                      "Recommended")));
        }
        if (gaps && random.nextInt(4) == 0) {
          lines.add("");
        }
        price(plan, shape);
        if (!size(plan).isEmpty()) {
          lines.add(size(plan));
        }
        noise();
        features(plan, ticks || !gaps);
        noise();
        if (!gaps || random.nextBoolean()) {
          lines.add(
              one(
                  List.of(
                      "Get started",
                      "Start free trial",
                      "Choose " + plan.name,
                      "Try for free",
                      "Contact sales")));
        }
        if (gaps) {
          lines.add("");
        }
      }
    }

    private void price(Plan plan, Shape shape) {
      if (plan.basis.equals("FREE")) {
        lines.add(one(List.of("Free", "Free forever", amount(BigDecimal.ZERO))));
        return;
      }
      if (plan.basis.equals("ON_REQUEST")) {
        lines.add(one(List.of("Contact us", "Custom pricing", "On request", "Let's talk")));
        return;
      }
      if (shape == Shape.YEARS) {
        years(plan);
      } else if (shape == Shape.STRUCK) {
        struck(plan);
      } else {
        prices(plan);
      }
    }

    private void prices(Plan plan) {
      if (plan.yearly != null) {
        expectPrice(plan, "12", plan.yearly);
        boolean split = random.nextBoolean();
        String after = (per(plan) + month()).strip();
        if (split) {
          lines.add(amount(plan.yearly));
          lines.add(after);
          lines.add(billedYearly());
        } else {
          lines.add(
              amount(plan.yearly)
                  + " "
                  + after
                  + one(List.of(", ", " (", " – ")).replace("(", "")
                  + billedYearly());
        }
      }
      if (plan.monthly != null) {
        expectPrice(plan, "1", plan.monthly);
        lines.add(
            plan.yearly == null
                ? amount(plan.monthly) + per(plan) + month() + ", " + billedMonthly()
                : amount(plan.monthly)
                    + one(List.of(" ", month() + ", ", per(plan) + month() + ", "))
                    + billedMonthly());
      }
    }

    private void years(Plan plan) {
      BigDecimal year = plan.yearly.multiply(BigDecimal.valueOf(12));
      expectPrice(plan, "12", plan.yearly);
      lines.add(amount(year) + per(plan) + one(List.of(" per year", "/year", " a year", " p.a.")));
      if (random.nextBoolean()) {
        lines.add(
            one(
                List.of(
                    "(" + amount(plan.yearly) + " per month)",
                    "that is " + amount(plan.yearly) + " a month",
                    "(" + amount(plan.yearly) + "/month)")));
      }
    }

    private void struck(Plan plan) {
      BigDecimal sale = plan.monthly.multiply(new BigDecimal("0.75"));
      boolean exact = sale.stripTrailingZeros().scale() <= 2;
      expectPrice(plan, "1", plan.monthly);
      String after = per(plan) + month() + ", " + billedMonthly();
      if (!exact) {
        lines.add(amount(plan.monthly) + after);
        return;
      }
      switch (random.nextInt(3)) {
        case 0 -> lines.add(amount(plan.monthly) + " " + amount(sale) + after);
        case 1 -> lines.add(amount(sale) + " instead of " + amount(plan.monthly) + after);
        default -> {
          lines.add(amount(plan.monthly));
          lines.add(amount(sale));
          lines.add(after.strip());
        }
      }
      boolean months = random.nextBoolean();
      if (months) {
        lines.add("25 % off for the first 6 months");
      }
      boolean until = random.nextBoolean();
      if (until) {
        lines.add(
            one(
                List.of(
                    "Offer ends 31 December 2026",
                    "Until 31.12.2026",
                    "Valid until 2026-12-31",
                    "Until December 31, 2026")));
      }
      says.put(
          plan.name + "/offer", "25 " + (months ? "6" : "-") + " " + (until ? "2026-12-31" : "-"));
    }

    private void features(Plan plan, boolean marked) {
      plan.limits.forEach(
          (measure, n) -> lines.add((marked ? one(List.of("✓ ", "• ")) : "") + limit(measure, n)));
      String tick = one(List.of("✓ ", "✔ "));
      String cross = one(List.of("✗ ", "✕ "));
      plan.answers.forEach((capability, answer) -> {
        if (answer.equals("YES") || marked) {
          says.put(plan.name + "/answer/" + capability, answer);
          lines.add((marked ? answer.equals("YES") ? tick : cross : "") + capability);
        }
      });
    }

    private void sentences(List<Plan> plans, String bullet) {
      String between = one(List.of(": ", " – ", ": "));
      for (Plan plan : plans) {
        expectPlan(plan);
        List<String> parts = new ArrayList<>();
        if (plan.basis.equals("FREE")) {
          parts.add("Free");
        } else if (plan.basis.equals("ON_REQUEST")) {
          parts.add(one(List.of("price on request", "contact us", "custom pricing")));
        } else if (plan.yearly != null && plan.monthly != null) {
          expectPrice(plan, "12", plan.yearly);
          expectPrice(plan, "1", plan.monthly);
          parts.add(
              amount(plan.yearly)
                  + per(plan)
                  + month()
                  + ", "
                  + billedYearly()
                  + one(
                      List.of(
                          " (" + amount(plan.monthly) + " " + billedMonthly() + ")",
                          ", or " + amount(plan.monthly) + " " + billedMonthly())));
        } else {
          BigDecimal price = plan.yearly == null ? plan.monthly : plan.yearly;
          expectPrice(plan, plan.yearly == null ? "1" : "12", price);
          parts.add(
              amount(price)
                  + per(plan)
                  + month()
                  + ", "
                  + (plan.yearly == null ? billedMonthly() : billedYearly()));
        }
        if (!size(plan).isEmpty()) {
          parts.add(size(plan));
        }
        plan.limits.forEach((measure, n) -> parts.add(limit(measure, n)));
        plan.answers.forEach((capability, answer) -> {
          if (answer.equals("YES") && random.nextBoolean()) {
            says.put(plan.name + "/answer/" + capability, "YES");
            parts.add(capability);
          }
        });
        lines.add(bullet + plan.name + between + String.join(". ", parts) + ".");
      }
    }

    private void table(List<Plan> plans, String between) {
      List<List<String>> rows = new ArrayList<>();
      List<String> head = new ArrayList<>(List.of(""));
      plans.forEach(plan -> head.add(plan.name));
      boolean full = between.equals("\n");
      rows.add(head);
      // a row of a table without a measure is a count, not a limit
      plans.forEach(plan -> plan.limits.remove(DASHBOARDS));
      plans.forEach(this::expectPlan);
      boolean account = plans.stream().anyMatch(p -> p.account);
      String label = account ? "Price" : one(List.of("Price per " + unit, "Per " + unit));
      boolean yearly = plans.stream().anyMatch(p -> p.yearly != null);
      boolean monthly = plans.stream().anyMatch(p -> p.monthly != null);
      if (yearly) {
        rows.add(priceRow(plans, label + " and month, " + billedYearly(), true, account));
      }
      if (monthly) {
        rows.add(priceRow(plans, label + " and month, " + billedMonthly(), false, account));
      }
      row(
          rows,
          plans,
          one(List.of("Users", "Seats", "Team size")),
          full,
          p ->
              p.most > 0
                  ? one(List.of("up to ", "")) + count(p.most)
                  : p.least > 0 ? p.least + "+" : "");
      for (String measure :
          List.of("automation-runs", "gigabytes-kept", "calendars", "people-in-a-call")) {
        String named =
            switch (measure) {
              case "automation-runs" -> "Automation runs per month";
              case "gigabytes-kept" -> "Storage";
              case "calendars" -> "Linked calendars";
              default -> "People in one call";
            };
        row(
            rows,
            plans,
            named,
            full,
            p -> {
              Integer n = p.limits.get(measure);
              return n == null
                  ? ""
                  : n == 0
                      ? "Unlimited"
                      : count(n) + (measure.equals("gigabytes-kept") ? " GB" : "");
            });
      }
      boolean words = random.nextBoolean();
      for (String capability : capabilities) {
        row(
            rows,
            plans,
            capability,
            full,
            p -> {
              String answer = p.answers.get(capability);
              if (answer == null) {
                return "";
              }
              says.put(p.name + "/answer/" + capability, answer);
              return answer.equals("YES") ? words ? "Yes" : "✓" : words ? "No" : "–";
            });
      }
      if (random.nextInt(3) == 0) {
        String counted = one(List.of("Languages", "Connections", "Time zones"));
        row(rows, plans, counted, full, p -> many(p, counted));
      }
      for (List<String> cells : rows) {
        String line = String.join(between, cells);
        lines.add(
            full
                ? line.replaceAll("^\n", "")
                : between.equals("\t") ? line : line.replaceAll("^ \\| ", "Plan | "));
      }
    }

    /** So many of something nobody limits, in one of the ways in which tables say it. */
    private String many(Plan plan, String counted) {
      int n = 2 + random.nextInt(120);
      String unit = counted.toLowerCase(java.util.Locale.ROOT);
      boolean least = random.nextBoolean();
      says.put(plan.name + "/answer/" + counted, (least ? "at least " : "") + n + " " + unit);
      return least
          ? one(List.of(n + "+", "over " + n, "At least " + n + " " + unit))
          : one(List.of("" + n, n + " " + unit));
    }

    private List<String> priceRow(List<Plan> plans, String label, boolean yearly, boolean account) {
      List<String> cells = new ArrayList<>(List.of(label));
      for (Plan plan : plans) {
        BigDecimal price = yearly ? plan.yearly : plan.monthly;
        if (plan.basis.equals("FREE")) {
          cells.add("Free");
        } else if (plan.basis.equals("ON_REQUEST")) {
          cells.add(one(List.of("On request", "Contact us")));
        } else {
          expectPrice(plan, yearly ? "12" : "1", price);
          cells.add(amount(price) + (account ? per(plan) : ""));
        }
      }
      return cells;
    }

    /** A row if some plan says something; with no room for empty cells only if all do. */
    private void row(
        List<List<String>> rows,
        List<Plan> plans,
        String label,
        boolean full,
        java.util.function.Function<Plan, String> cell) {
      Map<String, String> before = new LinkedHashMap<>(says);
      List<String> cells = new ArrayList<>(List.of(label));
      plans.forEach(plan -> cells.add(cell.apply(plan)));
      long said = cells.stream().skip(1).filter(c -> !c.isEmpty()).count();
      if (full ? said == plans.size() : said > 0) {
        rows.add(cells);
        return;
      }
      says.clear();
      says.putAll(before);
      for (Plan plan : plans) {
        if (List.of("Users", "Seats", "Team size").contains(label)) {
          says.remove(plan.name + "/most");
          says.remove(plan.name + "/least");
        }
        String measure =
            switch (label) {
              case "Automation runs per month" -> "automation-runs";
              case "Storage" -> "gigabytes-kept";
              case "Linked calendars" -> "calendars";
              case "People in one call" -> "people-in-a-call";
              default -> "none";
            };
        says.remove(plan.name + "/limit/" + measure);
      }
    }

    private void bands(List<Plan> plans) {
      for (Plan plan : plans) {
        plan.most = 0;
        plan.least = 0;
        expectPlan(plan);
        lines.add(plan.name);
        BigDecimal first = plan.monthly == null ? plan.yearly : plan.monthly;
        boolean inAll = random.nextBoolean();
        int to = 5 * (1 + random.nextInt(4));
        int next = to * 4;
        List<BigDecimal> prices =
            inAll
                ? List.of(first.multiply(BigDecimal.TEN), first.multiply(BigDecimal.valueOf(30)))
                : List.of(
                    first,
                    first.multiply(new BigDecimal("0.7")),
                    first.multiply(new BigDecimal("0.5")));
        String of = hosts ? "hosts" : one(List.of("users", "seats", "members"));
        List<String> starts =
            inAll
                ? List.of("Up to " + to + " " + of, "Up to " + next + " " + of)
                : List.of(
                    "1–" + to + " " + of, to + 1 + "–" + next + " " + of, next + 1 + "+ " + of);
        String billed = ", " + billedMonthly();
        for (int i = 0; i < prices.size(); i++) {
          BigDecimal price = prices.get(i).setScale(2, RoundingMode.HALF_UP);
          lines.add(
              starts.get(i)
                  + ": "
                  + amount(price)
                  + (inAll ? "" : " each")
                  + " per month"
                  + billed);
          says.put(
              plan.name + "/band/" + (i == 0 ? "" + to : i == 1 ? "" + next : "more"),
              price.setScale(4, RoundingMode.HALF_UP)
                  + " "
                  + currency
                  + " "
                  + (inAll ? "account" : hosts ? "hosts" : "seats"));
        }
        features(plan, true);
        lines.add("");
      }
    }

    private void noise() {
      if (random.nextInt(4) == 0) {
        lines.add(one(NOISE));
      }
    }

    private void ending() {
      lines.add("");
      if (random.nextInt(3) == 0) {
        int days = one(List.of(7, 14, 30));
        says.put("trial", "" + days);
        lines.add(
            one(
                List.of(
                    days + "-day free trial",
                    "Try every plan free for " + days + " days",
                    "Free trial of all plans for " + days + " days")));
      }
      if (random.nextInt(3) == 0) {
        lines.add(one(List.of("Add-ons", "Optional extras")));
        BigDecimal price = BigDecimal.valueOf(2 + random.nextInt(20));
        says.put(
            "addon/Phone desk",
            price.setScale(4) + " " + currency + " " + (hosts ? "hosts" : "seats"));
        lines.add("Phone desk: " + amount(price) + " per " + unit + " per month");
      }
      if (random.nextInt(3) == 0) {
        lines.add("");
        lines.add(one(List.of("Frequently asked questions", "FAQ")));
        lines.add("Can I change my plan?");
        lines.add("Yes, from " + amount(BigDecimal.valueOf(3)) + " a month on.");
      }
    }

    private <T> T one(List<T> choices) {
      return choices.get(random.nextInt(choices.size()));
    }
  }
}
