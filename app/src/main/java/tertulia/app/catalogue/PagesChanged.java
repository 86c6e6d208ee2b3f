package tertulia.app.catalogue;

/** A price page is being changed; heard of once it is kept. */
public record PagesChanged() {}
