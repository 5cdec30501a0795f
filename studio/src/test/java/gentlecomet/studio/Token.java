package gentlecomet.studio;

import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import jakarta.servlet.http.Cookie;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.RequestPostProcessor;

/** The token against forged requests as a browser sends it: the cookie of a page, and its value again in a header. */
public final class Token {

    private static Cookie cookie;

    private Token() {
    }

    /** Opens a page, which brings the cookie. */
    public static void take(MockMvc web) throws Exception {
        if (cookie == null) {
            cookie = web.perform(get("/nowhere")).andReturn().getResponse().getCookie("XSRF-TOKEN");
        }
    }

    public static RequestPostProcessor token() {
        return request -> {
            request.setCookies(cookie);
            request.addHeader("X-XSRF-TOKEN", cookie.getValue());
            return request;
        };
    }
}
