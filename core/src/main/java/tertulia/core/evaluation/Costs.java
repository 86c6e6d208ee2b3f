package tertulia.core.evaluation;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tertulia.core.deadline.Once;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Need;
import tertulia.core.fit.Question;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.path.EvaluationPoint;
import tertulia.core.path.Market;
import tertulia.core.path.Option;
import tertulia.core.path.PlanPaths;

/**
 * What the contenders of a selection cost and which of their plans do, under one "what if".
 * Nobody's weights and marks enter: whatever they become, these stay.
 */
public final class Costs {
  private final Selection selection;
  private final WhatIf whatIf;
  private final CostsOverall overall;
  private final People people;
  private final EvaluationPoint occasion;
  private final CostsNow now;
  private final Once<Costs> ifConfirmed = new Once<>("the costs if confirmed", this::confident);

  private Costs(Selection selection, WhatIf whatIf, CostsOverall overall) {
    this.selection = selection;
    this.whatIf = whatIf;
    this.overall = overall;
    this.people =
        switch (whatIf.moment()) {
          case WhatIf.Moment.Month month -> overall.planned().get(month.m());
          case WhatIf.Moment.Headcount headcount -> overall.today().scaledTo(headcount.people());
        };
    this.occasion =
        switch (whatIf.moment()) {
          case WhatIf.Moment.Month month ->
              new EvaluationPoint(overall.months().get(month.m()), month.m());
          case WhatIf.Moment.Headcount headcount ->
              // so many people for good: what is owned for a while is not counted
              overall.market().lasting(people, headcount.month());
        };
    this.now = new CostsNow(selection, whatIf, overall, people, occasion);
  }

  /**
   * Computes what a selection costs.
   *
   * @param selection its panel and criteria are not looked at
   */
  public static Costs of(Selection selection, WhatIf whatIf) {
    Map<Measure, Demand> needed =
        whatIf
            .light()
            .map(share -> LightUserShare.demands(selection.demands(), share))
            .orElse(selection.demands());
    Market market =
        new Market(
            new Fit(selection.needs(), true, selection.practice().covers()),
            whatIf.stated().map(stated -> stated.in(needed)).orElse(needed),
            selection.currency(),
            selection.rates(),
            selection.asOf(),
            whatIf.terms(),
            whatIf.averagePayment().or(selection::averagePayment),
            selection.horizon());
    return new Costs(selection, whatIf, CostsOverall.of(selection, whatIf, market));
  }

  /** These costs for other people under discussion: what does not depend on them is shared. */
  public Costs at(WhatIf.Moment moment) {
    return moment.equals(whatIf.moment()) ? this : new Costs(selection, whatIf.at(moment), overall);
  }

  /**
   * These costs if something else were needed, or known of a contender: those for which that makes
   * no difference keep their ways.
   *
   * @param other differs in needs, in facts of contenders and in what is judged at most
   */
  public Costs asking(Selection other) {
    return new Costs(other, whatIf, overall.asking(other));
  }

  /**
   * These costs as if every fact and allowance that is not known turned out well; what is out for
   * certain stays out. No figure of the totals: see {@link Confirmation}.
   */
  public Costs ifConfirmed() {
    return ifConfirmed.get();
  }

  private Costs confident() {
    return new Costs(selection, whatIf, overall.ifConfirmed());
  }

  /** What is still to be confirmed, and what it would change. */
  public Confirmation confirmation() {
    return new Confirmation(this);
  }

  public Selection selection() {
    return selection;
  }

  public WhatIf whatIf() {
    return whatIf;
  }

  /** What the contenders cost over the plan months, whoever is under discussion. */
  public CostsOverall overall() {
    return overall;
  }

  /** What they cost a month for the people under discussion. */
  public CostsNow now() {
    return now;
  }

  /** What they cost by how many people there are, and by how much of something else. */
  public CostCurves curves() {
    return new CostCurves(selection, whatIf, overall, now, people, occasion);
  }

  public Market market() {
    return overall.market();
  }

  /** The people under discussion. */
  public People people() {
    return people;
  }

  /** What they need, and in which plan month. */
  public EvaluationPoint occasion() {
    return occasion;
  }

  /** How a contender meets a need with what it would be on for the people under discussion. */
  public Met met(String contender, Need need) {
    return Met.of(this, selection.contender(contender), need);
  }

  /** Every plan of a contender by itself, in the order of its page. */
  public List<PlanTag> planTags(Contender contender) {
    return PlanTag.of(this, contender);
  }

  /** Some contenders side by side, in this order. */
  public Comparison comparison(List<Contender> contenders) {
    return Comparison.of(this, contenders);
  }

  /** Some contenders by some needs, whether or not anybody stated them. */
  public Comparison.OfNeeds comparison(List<Contender> contenders, List<Need> needs) {
    return Comparison.of(this, contenders, needs);
  }

  /**
   * What nobody has said yet of a contender and might change which plan it needs: of the plan it
   * would be on, and of those its cheapest path takes.
   */
  public List<Question> questions(String contender) {
    List<Question> questions = new ArrayList<>();
    List<Option> options = new ArrayList<>();
    now.optionNow(contender).ifPresent(options::add);
    if (overall.way(contender) instanceof PlanPaths.Found found) {
      found.best().allLegs().forEach(leg -> options.add(leg.option()));
    }
    options.stream()
        .distinct()
        .flatMap(option ->
            overall
                .market()
                .fit()
                .questions(
                    option.offering(),
                    option.list(),
                    overall.market().demands().keySet(),
                    occasion.units(),
                    selection.horizon().month(occasion.owned()))
                .stream())
        .filter(question -> questions.stream().noneMatch(question::isAnsweredWith))
        .forEach(questions::add);
    return questions;
  }

  /**
   * What would make a contender the cheapest of the active ones; none if it is, or nothing would.
   */
  public List<Remedy> remedies(String contender) {
    return new Remedies(this).of(contender);
  }
}
