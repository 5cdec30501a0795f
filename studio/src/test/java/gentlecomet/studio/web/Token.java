package gentlecomet.studio.web;

import jakarta.servlet.http.Cookie;
import org.springframework.test.web.servlet.request.RequestPostProcessor;

/** The token against forged requests as a browser sends it: the cookie's value again in a header. */
final class Token {

    private Token() {
    }

    static RequestPostProcessor token() {
        return request -> {
            request.setCookies(new Cookie("XSRF-TOKEN", "token-of-this-test"));
            request.addHeader("X-XSRF-TOKEN", "token-of-this-test");
            return request;
        };
    }
}
