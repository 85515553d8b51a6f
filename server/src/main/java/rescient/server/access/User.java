package rescient.server.access;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** Somebody who signs in. */
@Entity
@Table(name = "users")
class User {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String login;

    @Column(nullable = false)
    String name;

    @Column(nullable = false)
    String password;

    @Enumerated(EnumType.STRING)
    @Column(nullable = false)
    Role role;

    boolean demo;

    protected User() {}

    User(String login, String name, String password, Role role, boolean demo) {
        this.login = login;
        this.name = name;
        this.password = password;
        this.role = role;
        this.demo = demo;
    }
}
