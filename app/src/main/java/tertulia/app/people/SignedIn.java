package tertulia.app.people;

import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.UserDetails;

/** Somebody who has signed in. */
public final class SignedIn implements UserDetails {
  private static final long serialVersionUID = 1L;
  private final long id;
  private final String signInName;
  private final String name;
  private final String passwordHash;
  private final Role role;

  SignedIn(long id, String signInName, String name, String passwordHash, Role role) {
    this.id = id;
    this.signInName = signInName;
    this.name = name;
    this.passwordHash = passwordHash;
    this.role = role;
  }

  public long id() {
    return id;
  }

  /** The name colleagues read. */
  public String name() {
    return name;
  }

  public Role role() {
    return role;
  }

  public boolean organises() {
    return role == Role.ORGANISER;
  }

  /** Whether this person weighs, marks and signs. */
  public boolean weighs() {
    return role != Role.READER;
  }

  /** One account is one person, whatever has changed about it since. */
  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof SignedIn person && person.id == id;
  }

  @Override
  public int hashCode() {
    return Long.hashCode(id);
  }

  @Override
  public Collection<? extends GrantedAuthority> getAuthorities() {
    return List.of(new SimpleGrantedAuthority("ROLE_" + role.name()));
  }

  @Override
  public String getPassword() {
    return passwordHash;
  }

  @Override
  public String getUsername() {
    return signInName;
  }
}
