package tertulia.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

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
  public void aMemberSendsWhatMembersMay() {
    become(Role.ORGANISER);
    Page page = signedIn("joren", ColorScheme.LIGHT, 1280);
    page.navigate("/selections/1/cost");
    become(Role.MEMBER);
    page.getByText("Sign out").first().click();
    page.waitForURL("**/sign-in?out");
  }
}
