package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import javax.imageio.ImageIO;
import org.jsoup.Jsoup;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;

/** Pictures beside marks and results: who adds them, who sees them, and how they are served. */
@FreshStore
public class ProofsTest extends ServedTest {
  private static final String MARK = "mark/ease/slotmeer";
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Selections selections;

  private MockHttpServletResponse answer(String who, MockHttpServletRequestBuilder request)
      throws Exception {
    return mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername(who))))
        .andReturn()
        .getResponse();
  }

  private static byte[] png() throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(20, 10, BufferedImage.TYPE_INT_RGB), "png", out);
    return out.toByteArray();
  }

  private MockHttpServletResponse add(String who, String about, byte[] picture) throws Exception {
    return mvc.perform(
            MockMvcRequestBuilders.multipart("/selections/1/proofs")
                .file(new MockMultipartFile("picture", "x.png", "image/png", picture))
                .param("about", about)
                .with(csrf())
                .with(user(people.loadUserByUsername(who))))
        .andReturn()
        .getResponse();
  }

  private String page(String who, String path) throws Exception {
    return answer(who, MockMvcRequestBuilders.get("/selections/1" + path))
        .getContentAsString(StandardCharsets.UTF_8);
  }

  @Test
  public void aPictureStandsBesideTheMarkAndIsServedAsNothingElse() throws Exception {
    assertEquals(add("ilse", MARK, png()).getStatus(), 200);
    assertEquals(add("ilse", MARK, png()).getStatus(), 200);
    assertEquals(selections.load(1).proofs(MARK).size(), 1, "another takes the place of the first");
    long proof = selections.load(1).proofs(MARK).getFirst().id();
    String address = "/proofs/" + proof;
    for (String where :
        new String[] {
          "/marks", "/why?figure=value&contender=slotmeer&criterion=ease", "/decision"
        }) {
      assertTrue(page("odile", where).contains("/selections/1" + address), where);
      assertFalse(page("joren", where).contains(address), "he has not handed in: " + where);
    }
    MockHttpServletResponse served =
        answer("odile", MockMvcRequestBuilders.get("/selections/1" + address));
    assertEquals(served.getContentType(), "image/png");
    assertEquals(served.getHeader("X-Content-Type-Options"), "nosniff");
    assertEquals(served.getHeader("Content-Security-Policy"), "default-src 'none'; sandbox");
    assertTrue(served.getContentAsByteArray().length > 20);
    assertEquals(
        answer("joren", MockMvcRequestBuilders.get("/selections/1" + address)).getStatus(), 404);
    assertEquals(
        answer("ilse", MockMvcRequestBuilders.get("/selections/2" + address)).getStatus(),
        404,
        "only at its own table");
  }

  @Test(dependsOnMethods = "aPictureStandsBesideTheMarkAndIsServedAsNothingElse")
  public void whatIsNoneIsRefusedAndNothingIsLost() throws Exception {
    MockHttpServletResponse refused = add("ilse", MARK, "GIF89a".getBytes());
    assertEquals(refused.getStatus(), 422);
    assertTrue(refused.getContentAsString().contains("This file is no PNG or JPEG picture"));
    assertEquals(selections.load(1).proofs(MARK).size(), 1);
    assertEquals(add("pia", MARK, png()).getStatus(), 403);
    for (String about :
        new String[] {"mark/cost/slotmeer", "mark/ease/none", "result/none/slotmeer", "x", ""}) {
      assertEquals(add("ilse", about, png()).getStatus(), 404, about);
    }
  }

  @Test(dependsOnMethods = "whatIsNoneIsRefusedAndNothingIsLost")
  public void oneBesideAResultIsForEverybody() throws Exception {
    String about = "result/saturday-call/slotmeer";
    assertEquals(add("odile", about, png()).getStatus(), 200);
    long proof = selections.load(1).proofs(about).getFirst().id();
    assertTrue(page("joren", "/trials").contains("/proofs/" + proof));
    String record = page("joren", "/decision");
    assertTrue(record.contains("/proofs/" + proof));
    assertTrue(record.contains("Slotmeer · "), "says what it stands beside");
    assertEquals(
        answer("pia", MockMvcRequestBuilders.get("/selections/1/proofs/" + proof)).getStatus(),
        200);
    answer("ilse", MockMvcRequestBuilders.post("/selections/1/proofs/drop").param("about", about));
    assertEquals(selections.load(1).proofs(about).size(), 1, "one takes away one's own only");
    answer("odile", MockMvcRequestBuilders.post("/selections/1/proofs/drop").param("about", about));
    assertEquals(selections.load(1).proofs(about).size(), 0);
    String told = Jsoup.parse(page("pia", "/changes")).text();
    assertTrue(told.contains("Picture taken away from Slotmeer · "), told);
    assertTrue(told.contains("Picture beside Slotmeer · "), told);
    assertEquals(
        answer("pia", MockMvcRequestBuilders.get("/selections/1/proofs/" + proof)).getStatus(),
        404);
  }

  @Test(dependsOnMethods = "oneBesideAResultIsForEverybody")
  public void oneBesideAFactStandsWhereTheFactIsRead() throws Exception {
    String about = "fact/two-way-calendar-link/quaymate";
    assertTrue(page("joren", "/fit").contains("value=\"" + about + "\""), "it can be chosen");
    assertFalse(page("pia", "/fit").contains("value=\"" + about + "\""), "a reader reads");
    assertEquals(add("joren", about, png()).getStatus(), 200);
    String address = "/proofs/" + selections.load(1).proofs(about).getFirst().id();
    assertTrue(page("pia", "/fit").contains(address));
    assertTrue(page("pia", "/decision").contains("Quaymate · Two-way calendar link"));
    assertEquals(add("joren", "fact/none/quaymate", png()).getStatus(), 404);
  }
}
