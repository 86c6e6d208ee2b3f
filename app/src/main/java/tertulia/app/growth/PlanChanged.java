package tertulia.app.growth;

/** The growth plan that selections follow is being changed; heard of once it is kept. */
public record PlanChanged() {}
