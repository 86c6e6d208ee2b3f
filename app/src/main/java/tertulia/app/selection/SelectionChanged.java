package tertulia.app.selection;

/** Something of a selection is being changed; heard of once it is kept. */
public record SelectionChanged(long id) {}
