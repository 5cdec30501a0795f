package gentlecomet.studio;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.boot.autoconfigure.flyway.FlywayMigrationStrategy;
import org.springframework.boot.test.autoconfigure.web.servlet.AutoConfigureMockMvc;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.ActiveProfiles;

/** The whole application on the real PostgreSQL, with the demo in a database that begins empty; shared by all tests. */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
@AutoConfigureMockMvc
@ActiveProfiles("test")
@Import(StudioTest.FreshDatabase.class)
public @interface StudioTest {

    @TestConfiguration
    class FreshDatabase {
        @Bean
        FlywayMigrationStrategy fromNothing() {
            return flyway -> {
                flyway.clean();
                flyway.migrate();
            };
        }
    }
}
