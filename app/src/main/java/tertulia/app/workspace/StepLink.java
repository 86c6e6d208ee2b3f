package tertulia.app.workspace;

/**
 * A step in the order people work.
 *
 * @param state "done", "open" or "here"
 * @param note such as "2 of 4"; may be empty
 */
public record StepLink(String key, String name, String href, String state, String note) {}
