package tertulia.app.mail;

/** How people are written to. */
public interface Mail {
  /**
   * A message.
   *
   * @param account of whom it goes to
   * @param selection the one it is about: only who may open that reads it
   * @param link the page it is about, such as /selections/1/marks
   * @param from by whom
   * @param once what it is, so that it is sent once however often it is asked for
   */
  record Message(
      long account,
      long selection,
      String to,
      String subject,
      String body,
      String link,
      String from,
      String once) {}

  /** Sends a message; false if it went out before. */
  boolean send(Message message);
}
