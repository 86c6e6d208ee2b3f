package tertulia.app.workspace;

/**
 * A contender at the head of its column: mark, name, the plan it would need, its cost for the
 * people under discussion and its total.
 *
 * @param mark its mark as SVG
 */
public record Head(String slug, String name, String mark, String plan, Cell cost, Cell total) {}
