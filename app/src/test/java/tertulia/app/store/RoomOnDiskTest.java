package tertulia.app.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;

import java.util.concurrent.atomic.AtomicLong;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.testng.annotations.Test;

/** On a disk that is nearly full nothing is saved, reading goes on, and room is enough to go on. */
public class RoomOnDiskTest {
  private final AtomicLong free = new AtomicLong();
  private final RoomOnDisk room = new RoomOnDisk(free::get, 100);

  private String forwarded(String method, String path) throws Exception {
    MockHttpServletRequest request = new MockHttpServletRequest(method, path);
    request.setServletPath(path);
    MockHttpServletResponse response = new MockHttpServletResponse();
    MockFilterChain chain = new MockFilterChain();
    room.doFilter(request, response, chain);
    assertEquals(chain.getRequest() == null, response.getForwardedUrl() != null);
    return response.getForwardedUrl();
  }

  @Test
  public void onlyWhatWritesIsRefusedAndOnlyWhileThereIsNoRoom() throws Exception {
    free.set(99);
    assertEquals(forwarded("POST", "/selections/new"), "/no-room");
    assertNull(forwarded("GET", "/selections"));
    assertNull(forwarded("POST", "/sign-in"));
    free.set(100);
    assertNull(forwarded("POST", "/selections/new"));
  }
}
