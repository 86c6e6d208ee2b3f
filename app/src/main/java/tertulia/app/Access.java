package tertulia.app;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.regex.Pattern;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.actuate.autoconfigure.web.server.ConditionalOnManagementPort;
import org.springframework.boot.actuate.autoconfigure.web.server.ManagementPortType;
import org.springframework.boot.security.autoconfigure.actuate.web.servlet.EndpointRequest;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.session.SessionRegistry;
import org.springframework.security.core.session.SessionRegistryImpl;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.AuthorizationManagerWebInvocationPrivilegeEvaluator.HttpServletRequestTransformer;
import org.springframework.security.web.access.PathPatternRequestTransformer;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.security.web.header.writers.CrossOriginOpenerPolicyHeaderWriter;
import org.springframework.security.web.savedrequest.CookieRequestCache;
import org.springframework.security.web.servlet.util.matcher.PathPatternRequestMatcher;
import org.springframework.security.web.session.HttpSessionEventPublisher;
import tertulia.app.people.CurrentAccount;
import tertulia.app.people.SignedIn;
import tertulia.app.people.SlowGuessing;
import tertulia.app.people.UserAccounts;

/** Who may do what: every route is named here, and what is not named is refused. */
@Configuration
class Access {
  private static final String POLICY =
      "default-src 'self'; script-src 'self'; style-src 'self'; img-src 'self' data:; "
          + "font-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; "
          + "frame-ancestors 'none'";

  private static final Logger LOG = LoggerFactory.getLogger(Access.class);

  /** Such addresses as we write them ourselves. */
  private static final Pattern ADDRESS = Pattern.compile("(/[a-z0-9.-]{0,80}){1,6}");

  private static final String SAME_SITE = "Lax";

  /** As many sessions a person as they like. */
  private static final int UNLIMITED = -1;

  private static final LoginUrlAuthenticationEntryPoint SIGN_IN =
      new LoginUrlAuthenticationEntryPoint("/sign-in");

  @Bean
  SecurityFilterChain routes(
      HttpSecurity http, UserAccounts people, SlowGuessing slowGuessing, SessionRegistry sessions)
      throws Exception {
    String[] read = {
      "/",
      "/selections",
      "/selections/{id}",
      "/selections/{id}/line",
      "/selections/{id}/overview",
      "/selections/{id}/need",
      "/selections/{id}/contenders",
      "/selections/{id}/fit",
      "/selections/{id}/cost",
      "/selections/{id}/weights",
      "/selections/{id}/marks",
      "/selections/{id}/marks/reason",
      "/selections/{id}/marks/pairs",
      "/selections/{id}/firmness",
      "/selections/{id}/firmness/pull",
      "/selections/{id}/firmness/scenarios",
      "/selections/{id}/firmness/why",
      "/selections/{id}/decision",
      "/selections/{id}/decision.md",
      "/selections/{id}/snapshot",
      "/selections/{id}/look-again",
      "/selections/{id}/look-again/why",
      "/selections/{id}/record",
      "/selections/{id}/record/why",
      "/selections/{id}/record.pdf",
      "/selections/{id}/plans",
      "/selections/{id}/versus",
      "/selections/{id}/proofs",
      "/selections/{id}/proofs/{proof}",
      "/selections/{id}/trials",
      "/selections/{id}/trials/result",
      "/selections/{id}/why",
      "/selections/{id}/live",
      "/selections/{id}/live/{step}",
      "/selections/{id}/people",
      "/selections/{id}/changes",
      "/selections/{id}/file",
      "/selections/{id}/cost.xlsx",
      "/catalogue",
      "/catalogue/export.csv",
      "/catalogue/export.json",
      "/catalogue/{slug}",
      "/catalogue/{slug}/history",
      "/catalogue/{slug}/compare",
      "/catalogue/{slug}/compare/why",
      "/catalogue/{slug}/compare/effect",
      "/dates",
      "/dates.ics",
      "/growth",
      "/growth/export.csv",
      "/in-use",
      "/in-use/export.csv",
      "/method",
      "/reading",
      "/account",
      "/outbox",
      "/proposals/selection",
      "/proposals/tool",
      "/proposals/growth",
      "/price-changes",
      "/price-changes/waiting",
      "/price-changes/{change}/why"
    };
    String[] weigh = {
      "/selections/{id}/weights",
      "/selections/{id}/weights/way",
      "/selections/{id}/weights/pair",
      "/selections/{id}/marks",
      "/selections/{id}/marks/reason",
      "/selections/{id}/marks/interest",
      "/selections/{id}/contenders/{slug}/opinion",
      "/selections/{id}/contenders/{slug}/looked",
      "/selections/{id}/marks/pairs",
      "/selections/{id}/marks/pairs/take",
      "/selections/{id}/remarks",
      "/selections/{id}/remarks/{remark}/close",
      "/selections/{id}/trials/result",
      "/selections/{id}/proofs",
      "/selections/{id}/proofs/drop",
      "/selections/{id}/hand-in",
      "/selections/{id}/decision/sign",
      "/selections/{id}/decision/object",
      "/selections/{id}/decision/holds"
    };
    String[] organise = {
      "/selections/new",
      "/selections/import",
      "/selections/{id}/need",
      "/selections/{id}/need/take",
      "/selections/{id}/need/count",
      "/selections/{id}/need/ask",
      "/selections/{id}/criteria",
      "/selections/{id}/criteria/effect",
      "/selections/{id}/criteria/take",
      "/selections/{id}/shares",
      "/selections/{id}/open-table",
      "/selections/{id}/trials/task",
      "/selections/{id}/trials/task/drop",
      "/selections/{id}/trials/plan",
      "/selections/{id}/trials/fact",
      "/selections/{id}/marks/settle",
      "/selections/{id}/marks/unsettle",
      "/selections/{id}/table",
      "/selections/{id}/table/leave",
      "/selections/{id}/table/remind",
      "/selections/{id}/contenders",
      "/selections/{id}/together",
      "/selections/{id}/contenders/{slug}/aside",
      "/selections/{id}/contenders/{slug}/back",
      "/selections/{id}/contenders/{slug}/remove",
      "/selections/{id}/decision",
      "/selections/{id}/decision/propose",
      "/selections/{id}/decision/unopposed",
      "/selections/{id}/decision/remind",
      "/selections/{id}/decision/renew",
      "/selections/{id}/decision/withdraw",
      "/selections/{id}/decision/again",
      "/selections/{id}/people",
      "/selections/{id}/put-away",
      "/selections/{id}/put-back",
      "/selections/sample",
      "/selections/{id}/changes/{revision}/restore",
      "/selections/{id}/rates",
      "/selections/{id}/follow",
      "/selections/{id}/effort",
      "/selections/{id}/in-use",
      "/selections/{id}/in-use/as-today",
      "/selections/{id}/in-use/left-out",
      "/selections/{id}/in-use/counted",
      "/growth",
      "/growth/draw",
      "/growth/rebase",
      "/growth/undo",
      "/growth/import",
      "/growth/counts",
      "/growth/counts/undo",
      "/in-use",
      "/in-use/remove",
      "/in-use/undo",
      "/in-use/import",
      "/catalogue/new",
      "/catalogue/check",
      "/catalogue/paste",
      "/catalogue/count",
      "/catalogue/import",
      "/catalogue/import/take",
      "/catalogue/freshness",
      "/catalogue/{slug}/edit",
      "/catalogue/{slug}/confirm",
      "/catalogue/{slug}/undo",
      "/catalogue/{slug}/copy",
      "/catalogue/{slug}/archive",
      "/price-changes/{change}",
      "/people",
      "/people/{id}",
      "/people/{id}/disable",
      "/people/{id}/link",
      "/safekeeping/backup"
    };
    http.authorizeHttpRequests(requests ->
            requests
                .dispatcherTypeMatchers(
                    DispatcherType.ERROR, DispatcherType.FORWARD, DispatcherType.ASYNC)
                .permitAll()
                .requestMatchers(
                    "/sign-in",
                    "/first-account",
                    "/invitation/{word}",
                    "/session",
                    // whoever has the secret word in it reads as the person whose it is
                    "/calendar/{word}/dates.ics",
                    "/webjars/**",
                    "/css/**",
                    "/js/**",
                    "/fonts/**",
                    "/favicon.svg")
                .permitAll()
                .requestMatchers(HttpMethod.POST, weigh)
                .hasAnyRole("ORGANISER", "MEMBER")
                .requestMatchers(organiserReads())
                .hasRole("ORGANISER")
                .requestMatchers(HttpMethod.GET, read)
                .authenticated()
                .requestMatchers(HttpMethod.POST, organise)
                .hasRole("ORGANISER")
                .requestMatchers(
                    HttpMethod.POST,
                    "/sign-out",
                    "/account/password",
                    "/account/sessions",
                    "/dates/address",
                    "/dates/address/revoke")
                .authenticated()
                .anyRequest()
                .denyAll())
        .exceptionHandling(refused ->
            refused
                .authenticationEntryPoint((request, response, e) -> {
                  if (isSent(request)) {
                    signedOut(request, response);
                  } else {
                    SIGN_IN.commence(request, response, e);
                  }
                })
                .accessDeniedHandler((request, response, e) -> {
                  if (e instanceof CsrfException) {
                    signedOut(request, response);
                  } else {
                    LOG.info("Refused to {}: {} {}", who(), request.getMethod(), shape(request));
                    response.sendError(HttpServletResponse.SC_FORBIDDEN);
                  }
                }))
        // neither the token of a form nor the page somebody wanted opens a session for a stranger
        .csrf(csrf -> csrf.csrfTokenRepository(tokens()))
        .requestCache(cache -> cache.requestCache(pagesWanted()))
        .sessionManagement(session ->
            session
                .maximumSessions(UNLIMITED)
                .sessionRegistry(sessions)
                .expiredSessionStrategy(over -> expired(over.getRequest(), over.getResponse())))
        .addFilterBefore(slowGuessing, UsernamePasswordAuthenticationFilter.class)
        .addFilterBefore(new CurrentAccount(people), AuthorizationFilter.class)
        .formLogin(form -> form.loginPage("/sign-in").defaultSuccessUrl("/selections").permitAll())
        .logout(out -> out.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?out"))
        .headers(headers ->
            headers
                .permissionsPolicyHeader(permissions ->
                    permissions.policy(
                        "camera=(), microphone=(), geolocation=(), payment=(), usb=()"))
                .crossOriginOpenerPolicy(opener ->
                    opener.policy(
                        CrossOriginOpenerPolicyHeaderWriter.CrossOriginOpenerPolicy.SAME_ORIGIN))
                .contentSecurityPolicy(csp -> csp.policyDirectives(POLICY))
                .referrerPolicy(r ->
                    r.policy(
                        org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter
                            .ReferrerPolicy.SAME_ORIGIN)));
    return http.build();
  }

  /** Lets it be asked whether a form may be sent, as if it were. */
  @Bean
  HttpServletRequestTransformer asIfSent() {
    HttpServletRequestTransformer paths = new PathPatternRequestTransformer();
    return request ->
        paths.transform(
            new HttpServletRequestWrapper(request) {
              @Override
              public DispatcherType getDispatcherType() {
                return DispatcherType.REQUEST;
              }
            });
  }

  private static String who() {
    return SecurityContextHolder.getContext().getAuthentication() instanceof Authentication known
            && known.getPrincipal() instanceof SignedIn person
        ? "account " + person.id()
        : "nobody";
  }

  /** An address without what somebody may have typed into it. */
  private static String shape(HttpServletRequest request) {
    String path = request.getServletPath();
    return ADDRESS.matcher(path).matches() ? path : "an address that is not one of ours";
  }

  private static CookieCsrfTokenRepository tokens() {
    CookieCsrfTokenRepository tokens = new CookieCsrfTokenRepository();
    tokens.setCookieCustomizer(cookie -> cookie.sameSite(SAME_SITE));
    return tokens;
  }

  private static CookieRequestCache pagesWanted() {
    CookieRequestCache pages = new CookieRequestCache();
    pages.setCookieCustomizer(cookie -> cookie.setAttribute("SameSite", SAME_SITE));
    return pages;
  }

  /** Health and figures are served on a port of their own, to those who reach that port. */
  @Bean
  @ConditionalOnManagementPort(ManagementPortType.DIFFERENT)
  @Order(Ordered.HIGHEST_PRECEDENCE)
  SecurityFilterChain operations(HttpSecurity http) throws Exception {
    return http.securityMatcher(EndpointRequest.toAnyEndpoint())
        .authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
        .sessionManagement(
            session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
        .build();
  }

  /** Where everybody is signed in, in memory: a restart ends all sessions. */
  @Bean
  SessionRegistry sessionRegistry() {
    return new SessionRegistryImpl();
  }

  @Bean
  HttpSessionEventPublisher sessionEnds() {
    return new HttpSessionEventPublisher();
  }

  /** It has its place among the filters of security. */
  @Bean
  FilterRegistrationBean<SlowGuessing> onlyAmongSecurity(SlowGuessing filter) {
    FilterRegistrationBean<SlowGuessing> none = new FilterRegistrationBean<>(filter);
    none.setEnabled(false);
    return none;
  }

  /** A session that was ended elsewhere. */
  private static void expired(HttpServletRequest request, HttpServletResponse response)
      throws IOException, ServletException {
    SecurityContextHolder.clearContext();
    if (isSent(request)) {
      signedOut(request, response);
    } else {
      response.sendRedirect(request.getContextPath() + "/sign-in?expired");
    }
  }

  /** What a page that stood open sends: a form, or a part of itself that is to be renewed. */
  private static boolean isSent(HttpServletRequest request) {
    return !request.getMethod().equals("GET") || request.getHeader("HX-Request") != null;
  }

  /** The page says which it is: that nobody is signed in, or that the page sent is older. */
  private static void signedOut(HttpServletRequest request, HttpServletResponse response)
      throws ServletException, IOException {
    response.setStatus(
        SecurityContextHolder.getContext().getAuthentication() instanceof Authentication known
                && known.getPrincipal() instanceof SignedIn
            ? HttpServletResponse.SC_FORBIDDEN
            : HttpServletResponse.SC_UNAUTHORIZED);
    request.getRequestDispatcher("/signed-out").forward(request, response);
  }

  private static org.springframework.security.web.util.matcher.RequestMatcher[] organiserReads() {
    PathPatternRequestMatcher.Builder paths = PathPatternRequestMatcher.withDefaults();
    return java.util.stream.Stream.of(
            "/selections/new",
            "/selections/import",
            "/catalogue/new",
            "/catalogue/import",
            "/catalogue/{slug}/edit",
            "/people",
            "/safekeeping")
        .map(path -> paths.matcher(HttpMethod.GET, path))
        .toArray(org.springframework.security.web.util.matcher.RequestMatcher[]::new);
  }
}
