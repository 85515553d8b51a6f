package rescient.server.mail;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface MailRepository extends JpaRepository<Mail, Long> {
    List<Mail> findBySentAtIsNullAndTriesLessThanOrderById(int tries, Limit limit);

    List<Mail> findByAboutOrderByIdDesc(String about);

    List<Mail> findAllByOrderByIdDesc(Limit limit);
}
