package rescient.server.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.platform.JobProblem;

/** Signing in and out. */
@RestController
@RequestMapping("/api/session")
class SessionController {
    private static final int LONGEST = 200;

    private final AuthenticationManager manager;
    private final SecurityContextRepository contexts;
    private final Visits visits;
    private final Users users;

    SessionController(AuthenticationManager manager, SecurityContextRepository contexts, Visits visits, Users users) {
        this.manager = manager;
        this.contexts = contexts;
        this.visits = visits;
        this.users = users;
    }

    record SignIn(
            @NotBlank @Size(max = LONGEST) String login,
            @NotBlank @Size(max = LONGEST) String password) {}

    record Person(String login, String name, Role role, Rights may) {
        static Person of(SignedIn user) {
            return new Person(
                    user.getUsername(), user.name(), user.role(), user.role().rights());
        }
    }

    /** Whom one may sign in as without an account of one's own. */
    @GetMapping("/demo")
    List<Users.DemoPerson> demo() {
        return users.demo();
    }

    @GetMapping
    Person whoIsSignedIn(@AuthenticationPrincipal SignedIn user) {
        return Person.of(user);
    }

    @PostMapping
    Person signIn(@Valid @RequestBody SignIn given, HttpServletRequest request, HttpServletResponse response) {
        Authentication authentication;
        try {
            authentication = manager.authenticate(
                    UsernamePasswordAuthenticationToken.unauthenticated(given.login.strip(), given.password));
        } catch (AuthenticationException e) {
            throw new JobProblem(HttpStatus.UNAUTHORIZED, "This name and password do not belong together")
                    .field("password");
        }
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(authentication);
        contexts.saveContext(context, request, response);
        SignedIn user = (SignedIn) authentication.getPrincipal();
        visits.begin(user.getUsername(), request.getSession());
        return Person.of(user);
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(@AuthenticationPrincipal SignedIn user, HttpServletRequest request) {
        if (user != null) {
            visits.end(user.getUsername());
        }
        var session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
        SecurityContextHolder.clearContext();
    }
}
