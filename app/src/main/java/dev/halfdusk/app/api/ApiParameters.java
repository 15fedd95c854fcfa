package dev.halfdusk.app.api;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.sky.TimeScale;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;
import org.springframework.boot.convert.ApplicationConversionService;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.DefaultParameterNameDiscoverer;
import org.springframework.core.MethodParameter;
import org.springframework.core.ParameterNameDiscoverer;
import org.springframework.format.FormatterRegistry;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Refuses parameters an operation does not have, so that a misspelt one is not silently passed over, and numbers that it cannot use. */
@Configuration(proxyBeanMethods = false)
class ApiParameters implements WebMvcConfigurer {

    /** Words for days, months and stances in either case. */
    @Override
    public void addFormatters(FormatterRegistry registry) {
        ApplicationConversionService.addApplicationConverters(registry);
        registry.addConverter(String.class, Instant.class, ApiParameters::instant);
        registry.addConverter(String.class, LocalDate.class, ApiParameters::date);
    }

    /** @throws DateOutOfRange outside of the years that can be reckoned */
    private static Instant instant(String text) {
        Instant t = Instant.parse(text.strip());
        TimeScale.check(t);
        return t;
    }

    /** @throws DateOutOfRange outside of the years that can be reckoned */
    private static LocalDate date(String text) {
        return Form.nightIn(text.strip()).orElseThrow(() -> new IllegalArgumentException("not a date"));
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(new Sound())
                .addPathPatterns("/api/**")
                .excludePathPatterns("/api/docs/**", "/api/swagger-ui/**");
    }

    /** Whole numbers and fractions as people write them: nothing in base 16, no NaN. */
    private static final Pattern NUMBER = Pattern.compile("[+-]?(\\d+\\.?\\d*|\\.\\d+)([eE][+-]?\\d{1,3})?");

    private static final class Sound implements HandlerInterceptor {

        private final ParameterNameDiscoverer names = new DefaultParameterNameDiscoverer();

        @Override
        public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
            if (handler instanceof HandlerMethod method
                    && method.getBeanType().getPackage().equals(ApiParameters.class.getPackage())) {
                Map<String, MethodParameter> known = new LinkedHashMap<>();
                for (MethodParameter p : method.getMethodParameters()) {
                    if (p.hasParameterAnnotation(RequestParam.class)) {
                        p.initParameterNameDiscovery(names);
                        known.put(p.getParameterName(), p);
                    }
                }
                request.getParameterMap().forEach((name, values) -> {
                    if (!known.isEmpty() && !known.containsKey(name)) {
                        throw new BadParameter(name, "is not known here", String.join(", ", known.keySet()));
                    }
                    check(request.getRequestURI(), name, values, known.get(name));
                });
                if (has(request, "elevationM") && known.containsKey("latitudeDeg") && !has(request, "latitudeDeg")) {
                    throw new BadParameter(
                            "elevationM", "is that of no place", "together with latitudeDeg and longitudeDeg");
                }
            }
            return true;
        }

        private static boolean has(HttpServletRequest request, String name) {
            return request.getParameter(name) != null;
        }

        private static void check(String path, String name, String[] values, MethodParameter parameter) {
            if (parameter == null) {
                return;
            }
            if (values.length > 1 && !Collection.class.isAssignableFrom(parameter.getParameterType())) {
                throw new BadParameter(name, "is given " + values.length + " times", "once");
            }
            ApiQuantities.of(path, name)
                    .filter(q -> !values[0].isBlank())
                    .ifPresent(q -> number(name, values[0].strip(), q));
        }

        private static void number(String name, String text, ApiQuantities.Quantity q) {
            if (!NUMBER.matcher(text).matches()) {
                throw new BadParameter(name, "is not a number", q.allowed());
            }
            if (!q.range().holds(Double.parseDouble(text))) {
                throw new BadParameter(
                        name, "(" + q.range().quantity() + ") is " + Words.clipped(text, 30), q.allowed());
            }
        }
    }
}
