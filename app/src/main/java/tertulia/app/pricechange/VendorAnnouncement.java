package tertulia.app.pricechange;

import java.time.LocalDate;
import java.util.List;
import tertulia.app.catalogue.MakersNews;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.standin.MakersFeed.Announcement;

/** What a vendor announces, wherever it was told. */
sealed interface VendorAnnouncement {
  /** Stays the same for ever. */
  String id();

  /** Id of the tool. */
  String tool();

  /** When it was announced. */
  LocalDate on();

  LocalDate holdsFrom();

  /** What the maker says. */
  String words();

  /** Who told us, in words. */
  String teller();

  /** Who wrote the page down, once {@code by} takes it over. */
  String writtenBy(String by);

  /** The page as announced, made of the page here. */
  AnnouncedPage page(ToolSheet here);

  /** What has to know that it was answered. */
  void answered(MakersNews news);

  /** Whether the page here has changed since, so that it would be undone. */
  boolean isOvertaken(ToolSheet here);

  /** By a feed. */
  record ByFeed(Announcement announcement, String source) implements VendorAnnouncement {
    @Override
    public String id() {
      return announcement.id();
    }

    @Override
    public String tool() {
      return announcement.tool();
    }

    @Override
    public LocalDate on() {
      return announcement.on();
    }

    @Override
    public LocalDate holdsFrom() {
      return announcement.holdsFrom();
    }

    @Override
    public String words() {
      return announcement.words();
    }

    @Override
    public String teller() {
      return "from the " + source;
    }

    @Override
    public String writtenBy(String by) {
      return by + ", " + teller();
    }

    @Override
    public AnnouncedPage page(ToolSheet here) {
      return AnnouncedPage.of(here, announcement);
    }

    /** A feed goes on telling; the answer is kept beside it. */
    @Override
    public void answered(MakersNews news) {}

    /** Its edits find their places on any page. */
    @Override
    public boolean isOvertaken(ToolSheet here) {
      return false;
    }
  }

  /** By somebody here who put down the whole page. */
  record ByHand(MakersNews.News news) implements VendorAnnouncement {
    @Override
    public String id() {
      return "news-" + news.id();
    }

    @Override
    public String tool() {
      return news.tool();
    }

    @Override
    public LocalDate on() {
      return news.on();
    }

    @Override
    public LocalDate holdsFrom() {
      return news.holdsFrom();
    }

    @Override
    public String words() {
      return news.says();
    }

    @Override
    public String teller() {
      return "added by " + news.by();
    }

    @Override
    public String writtenBy(String by) {
      return by;
    }

    @Override
    public AnnouncedPage page(ToolSheet here) {
      return new AnnouncedPage(news.sheet(), List.of(), List.of());
    }

    @Override
    public void answered(MakersNews all) {
      all.answered(news.id());
    }

    @Override
    public boolean isOvertaken(ToolSheet here) {
      return !here.equals(news.base());
    }
  }
}
