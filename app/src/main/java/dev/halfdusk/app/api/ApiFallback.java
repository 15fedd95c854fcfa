package dev.halfdusk.app.api;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Set;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.context.annotation.Lazy;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Answers unknown paths under /api in the API's own format. */
@Hidden
@RestController
class ApiFallback {

    /** All but the pages of the API browser. */
    private static final String OWN = "/api/{group:(?!docs$|swagger-ui$).+}";

    private final RequestMappingHandlerMapping mappings;

    ApiFallback(@Lazy @Qualifier("requestMappingHandlerMapping") RequestMappingHandlerMapping mappings) {
        this.mappings = mappings;
    }

    @RequestMapping({"/api", OWN, OWN + "/**"})
    void unknown(HttpServletRequest request) throws HttpRequestMethodNotSupportedException {
        List<String> others = mappings.getHandlerMethods().entrySet().stream()
                .filter(m -> m.getValue().getBeanType() != ApiFallback.class)
                .map(m -> m.getKey().getPathPatternsCondition().getMatchingCondition(request) == null
                        ? Set.<RequestMethod>of()
                        : m.getKey().getMethodsCondition().getMethods())
                .flatMap(Set::stream)
                .map(RequestMethod::name)
                .distinct()
                .sorted()
                .toList();
        if (!others.isEmpty()) {
            throw new HttpRequestMethodNotSupportedException(request.getMethod(), others);
        }
        throw new NoSuchOperation(request.getMethod() + " " + request.getRequestURI());
    }
}
