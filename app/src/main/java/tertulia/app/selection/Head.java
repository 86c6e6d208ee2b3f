package tertulia.app.selection;

/**
 * A contender at the head of its column: mark, name, the plan it would need, its cost for the
 * people under discussion and its total.
 *
 * @param mark number of its mark, 1 to 8
 */
public record Head(String slug, String name, int mark, String plan, Cell cost, Cell total) {}
