package gentlecomet.studio.security;

import java.net.InetAddress;
import java.net.UnknownHostException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.csrf.CsrfTokenRequestAttributeHandler;

/** CSRF tokens and a content security policy without inline script. There is no sign-in, so only this machine may connect. */
@Configuration
class WebSecurity {

    private static final String POLICY = "default-src 'self'; script-src 'self'; style-src 'self'; img-src 'self' data:; "
            + "object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    @Bean
    SecurityFilterChain filters(HttpSecurity http, SignedTokens signed, @Value("${server.address}") String address) throws Exception {
        requireLoopback(address);
        CsrfTokenRequestAttributeHandler tokens = new CsrfTokenRequestAttributeHandler();
        // Without a name the token is worked out at once, so that every page brings its cookie.
        tokens.setCsrfRequestAttributeName(null);
        return http.authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .csrf(csrf -> csrf.csrfTokenRepository(signed)
                        .csrfTokenRequestHandler(tokens))
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY)))
                .requestCache(cache -> cache.disable())
                .logout(logout -> logout.disable())
                .build();
    }

    private static void requireLoopback(String address) throws UnknownHostException {
        if (!InetAddress.getByName(address).isLoopbackAddress()) {
            throw new IllegalStateException("server.address is " + address + ": without accounts Gentle Comet answers this machine only (127.0.0.1)");
        }
    }
}
