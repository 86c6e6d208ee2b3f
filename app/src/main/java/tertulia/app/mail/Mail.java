package tertulia.app.mail;

/** How people are written to. */
public interface Mail {
  /**
   * A message.
   *
   * @param account of whom it goes to
   * @param link the page it is about, such as /selections/1/marks
   * @param from by whom
   * @param once what it is, so that it is sent once however often it is asked for
   */
  record Message(
      long account,
      String to,
      String subject,
      String body,
      String link,
      String from,
      String once) {}

  /** Sends a message; false if it went out before. */
  boolean send(Message message);
}
