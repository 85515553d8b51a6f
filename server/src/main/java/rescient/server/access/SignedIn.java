package rescient.server.access;

import java.io.Serializable;
import java.util.Collection;
import java.util.List;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.UserDetails;

/** Who is at the desk. */
public final class SignedIn implements UserDetails, Serializable {
    private static final long serialVersionUID = 1;

    private final String login;
    private final String name;
    private final String password;
    private final Role role;

    SignedIn(User user) {
        this.login = user.login;
        this.name = user.name;
        this.password = user.password;
        this.role = user.role;
    }

    public String name() {
        return name;
    }

    public Role role() {
        return role;
    }

    @Override
    public Collection<? extends GrantedAuthority> getAuthorities() {
        return List.of(new SimpleGrantedAuthority("ROLE_" + role));
    }

    @Override
    public String getPassword() {
        return password;
    }

    @Override
    public String getUsername() {
        return login;
    }
}
