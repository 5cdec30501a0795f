package gentlecomet.studio.security;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Base64;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.csrf.DefaultCsrfToken;
import org.springframework.stereotype.Component;

/**
 * CSRF tokens in a cookie that the page sends back, signed with a key of this database (OWASP, "Signed Double-Submit Cookie"): a token that
 * somebody else has put into the cookie counts for nothing. The key outlives a restart, and so does a page that is open.
 */
@Component
class SignedTokens implements CsrfTokenRepository {

    private static final String ALGORITHM = "HmacSHA256";
    private static final int RANDOM_BYTES = 16;

    private final CookieCsrfTokenRepository cookies = CookieCsrfTokenRepository.withHttpOnlyFalse();
    private final SecureRandom random = new SecureRandom();
    private final SecretStore secrets;
    private volatile SecretKeySpec key;

    SignedTokens(SecretStore secrets) {
        this.secrets = secrets;
        cookies.setCookieCustomizer(cookie -> cookie.sameSite("Strict"));
    }

    @Override
    public CsrfToken generateToken(HttpServletRequest request) {
        CsrfToken plain = cookies.generateToken(request);
        byte[] bytes = new byte[RANDOM_BYTES];
        random.nextBytes(bytes);
        String nonce = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        return new DefaultCsrfToken(plain.getHeaderName(), plain.getParameterName(), nonce + "." + signature(nonce));
    }

    @Override
    public void saveToken(CsrfToken token, HttpServletRequest request, HttpServletResponse response) {
        cookies.saveToken(token, request, response);
    }

    /** The token of the cookie, or null where there is none of ours. */
    @Override
    public CsrfToken loadToken(HttpServletRequest request) {
        CsrfToken token = cookies.loadToken(request);
        return token != null && ours(token.getToken()) ? token : null;
    }

    private boolean ours(String token) {
        int dot = token.indexOf('.');
        return dot > 0 && MessageDigest.isEqual(signature(token.substring(0, dot)).getBytes(StandardCharsets.UTF_8),
                token.substring(dot + 1).getBytes(StandardCharsets.UTF_8));
    }

    private String signature(String nonce) {
        try {
            SecretKeySpec known = key;
            if (known == null) {
                known = new SecretKeySpec(secrets.key("csrf"), ALGORITHM);
                key = known;
            }
            Mac mac = Mac.getInstance(ALGORITHM);
            mac.init(known);
            return Base64.getUrlEncoder().withoutPadding().encodeToString(mac.doFinal(nonce.getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java has " + ALGORITHM, e);
        }
    }
}
