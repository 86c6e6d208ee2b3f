package tertulia.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;
import tertulia.app.FreshStore;
import tertulia.app.exchange.Faults;
import tertulia.app.people.Role;
import tertulia.app.people.UserAccounts;

/** Somebody's role is taken away while they write. */
@FreshStore
public class TakenRoleTest extends BrowserTest {
  @Autowired private UserAccounts people;

  private void become(Role role) {
    long joren =
        people.all().stream()
            .filter(entry -> entry.signInName().equals("joren"))
            .findFirst()
            .orElseThrow()
            .id();
    Faults faults = new Faults();
    people.changeRole(joren, role, faults);
    assertEquals(faults.all(), List.of());
  }

  @Test
  public void whatWasTypedStaysAndIsTakenWhenTheRoleIsBack() {
    become(Role.ORGANISER);
    Page page = signedIn("joren", ColorScheme.LIGHT, 1280);
    page.navigate("/catalogue/new?selection=1");
    page.locator("[name=name]").fill("Torn Off");
    page.locator("[name='plans[0].name']").fill("Whole");
    become(Role.MEMBER);
    page.locator(".savebar .btn-primary").click();
    assertThat(page.locator("#trouble")).containsText("Your role does not allow this any more.");
    assertThat(page.locator("[name=name]")).hasValue("Torn Off");

    Page other = page.context().newPage();
    other.navigate("/catalogue/new");
    assertThat(other.locator("main")).containsText("Your role does not allow this.");
    assertThat(other.locator("header")).containsText("Joren Talvik, member");

    become(Role.ORGANISER);
    page.locator(".savebar .btn-primary").click();
    assertThat(page.locator("#trouble")).isHidden();
    page.waitForURL(address -> !address.contains("/catalogue/new?selection"));
  }

  @Test
  public void aMarkThatIsNotKeptIsSaidNotToBe() {
    become(Role.MEMBER);
    Page page = signedIn("joren", ColorScheme.LIGHT, 1280);
    page.navigate("/selections/1/marks");
    Locator mark = page.locator(".bench select").first();
    become(Role.READER);
    mark.selectOption("3");
    assertThat(page.locator("#trouble")).containsText("does not allow this any more. This was not");
    assertThat(mark).hasAttribute("aria-invalid", "true");
    become(Role.MEMBER);
    mark.selectOption("4");
    assertThat(page.locator("#trouble")).isHidden();
    page.reload();
    assertThat(mark).hasValue("4");
  }

  @Test
  public void aRemarkWaitsForTheRoleAndOutlivesASession() {
    become(Role.MEMBER);
    Page page = signedIn("joren", ColorScheme.LIGHT, 1280);
    page.navigate("/selections/1/marks");
    page.locator(".say > summary").click();
    page.locator(".remarkform textarea").fill("Who waters the plants?");
    become(Role.READER);
    page.locator(".remarkform button.btn").click();
    assertThat(page.locator("#trouble")).containsText("does not allow this any more. This was not");
    assertThat(page.locator(".remarkform textarea")).hasValue("Who waters the plants?");
    become(Role.MEMBER);
    page.locator(".remarkform button.btn").click();
    assertThat(page.locator("#remarklist")).containsText("Who waters the plants?");
    assertThat(page.locator("#trouble")).isHidden();

    page.locator(".say > summary").click();
    page.locator(".remarkform textarea").fill("And on Sundays?");
    Page other = page.context().newPage();
    other.navigate("/account");
    other.getByText("Sign out").first().click();
    other.waitForURL("**/sign-in?out");
    other.locator("[name=username]").fill("joren");
    other.locator("[name=password]").fill("brackwater");
    other.locator("main button").click();
    other.waitForURL("**/selections**");
    page.locator(".remarkform button.btn").click();
    assertThat(page.locator("#remarklist")).containsText("And on Sundays?");
  }

  @Test
  public void aMemberSendsWhatMembersMay() {
    become(Role.ORGANISER);
    Page page = signedIn("joren", ColorScheme.LIGHT, 1280);
    page.navigate("/selections/1/cost");
    become(Role.MEMBER);
    page.getByText("Sign out").first().click();
    page.waitForURL("**/sign-in?out");
  }
}
