package rescient.server.access;

import java.util.List;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Those who may sign in. */
@Service
public class Users implements UserDetailsService {
    /** The one password of all demo sign-ins; they exist only with the demo data. */
    public static final String DEMO_PASSWORD = "clover";

    private final UserRepository users;
    private final PasswordEncoder encoder;

    Users(UserRepository users, PasswordEncoder encoder) {
        this.users = users;
        this.encoder = encoder;
    }

    @Override
    @Transactional(readOnly = true)
    public SignedIn loadUserByUsername(String login) {
        return users.findByLogin(login)
                .map(SignedIn::new)
                .orElseThrow(() -> new UsernameNotFoundException("Nobody signs in as " + login));
    }

    /** Somebody of every role, for the demo company. */
    @Transactional
    public void addDemoUsers() {
        String password = encoder.encode(DEMO_PASSWORD);
        users.saveAll(List.of(
                new User("ida", "Ida Holm", password, Role.PLANNER, true),
                new User("tom", "Tom Ferris", password, Role.PLANNER, true),
                new User("bram", "Bram Tolk", password, Role.BUYER, true),
                new User("stella", "Stella Quist", password, Role.STORES, true),
                new User("rufus", "Rufus Amsel", password, Role.FOREMAN, true),
                new User("sven", "Sven Aldous", password, Role.SALES, true),
                new User("aino", "Aino Berg", password, Role.APPROVER, true),
                new User("emil", "Emil Roth", password, Role.ENGINEER, true)));
    }

    /** One planner with a password of its own, for a company without demo data. */
    @Transactional
    public void addFirstUser(String password) {
        users.save(new User("planner", "First planner", encoder.encode(password), Role.PLANNER, false));
    }

    /** Takes the demo's sign-ins away; true if nobody is left. */
    @Transactional
    public boolean withoutDemo() {
        users.deleteByDemoTrue();
        return none();
    }

    /** Somebody whom everybody may sign in as. */
    record DemoPerson(String login, String name, Role role) {}

    /** The sign-ins of the demo company; none without it. */
    @Transactional(readOnly = true)
    List<DemoPerson> demo() {
        return users.findByDemoTrueOrderById().stream()
                .map(user -> new DemoPerson(user.login, user.name, user.role))
                .toList();
    }

    @Transactional(readOnly = true)
    public boolean none() {
        return users.count() == 0;
    }
}
