package tertulia.core.labour;

/** How much of people's time a tool takes: known, or why not. An unknown is never nothing. */
public sealed interface StaffTime {
  record Known(PeopleTime time) implements StaffTime {}

  record Unknown(String why) implements StaffTime {}
}
