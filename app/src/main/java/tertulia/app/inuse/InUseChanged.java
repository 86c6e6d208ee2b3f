package tertulia.app.inuse;

/** The list of what is in use is another than before. */
public record InUseChanged() {}
