package dev.halfdusk.app.api;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Answers unknown paths under /api in the API's own format. */
@Hidden
@RestController
class ApiFallback {

    /** All but the pages of the API browser. */
    private static final String OWN = "/api/{group:(?!docs$|swagger-ui$).+}";

    @RequestMapping({"/api", OWN, OWN + "/**"})
    void unknown(HttpServletRequest request) {
        throw new NoSuchOperation(request.getMethod() + " " + request.getRequestURI());
    }
}
