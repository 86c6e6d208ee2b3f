package tertulia.app.catalogue;

import tertulia.app.exchange.ToolSheet;

/** The kinds of rows of a price page. */
final class PageRows {
  static final RowTable<ToolForm.Source, ToolSheet.SourcePart> SOURCE =
      new RowTable<>(ToolForm.Source::new, ToolSheet.SourcePart.class);

  static final RowTable<ToolForm.PlanColumn, ToolSheet.PlanPart> PLANS =
      new RowTable<>(ToolForm.PlanColumn::new, ToolSheet.PlanPart.class);

  static final RowTable<ToolForm.OfferLine, ToolSheet.OfferPart> OFFERS =
      new RowTable<>(ToolForm.OfferLine::new, ToolSheet.OfferPart.class);

  static final RowTable<ToolForm.OwnedLine, ToolSheet.OwnedPart> OWNED =
      new RowTable<>(ToolForm.OwnedLine::new, ToolSheet.OwnedPart.class);

  static final RowTable<ToolForm.ConditionLine, ToolSheet.ConditionPart> CONDITIONS =
      new RowTable<>(ToolForm.ConditionLine::new, ToolSheet.ConditionPart.class);

  static final RowTable<ToolForm.ConnectorLine, ToolSheet.ConnectorPart> CONNECTORS =
      new RowTable<>(ToolForm.ConnectorLine::new, ToolSheet.ConnectorPart.class);

  static final RowTable<ToolForm.WordLine, ToolSheet.WordPart> WORDS =
      new RowTable<>(ToolForm.WordLine::new, ToolSheet.WordPart.class);

  static final RowTable<ToolForm.RatingLine, ToolSheet.RatingPart> RATINGS =
      new RowTable<>(ToolForm.RatingLine::new, ToolSheet.RatingPart.class);

  private PageRows() {}
}
