package tertulia.app.chart;

/**
 * A contender as the pictures know it.
 *
 * @param mark place of its colour, shape and dash; 0: it is none of the contenders
 */
public record Drawn(String id, String name, int mark) {}
