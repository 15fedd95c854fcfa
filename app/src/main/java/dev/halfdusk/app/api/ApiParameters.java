package dev.halfdusk.app.api;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.sky.TimeScale;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import org.springframework.boot.convert.ApplicationConversionService;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.DefaultParameterNameDiscoverer;
import org.springframework.core.MethodParameter;
import org.springframework.format.FormatterRegistry;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Refuses parameters an operation does not have, so that a misspelt one is not silently passed over. */
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
        registry.addInterceptor(new Unknown())
                .addPathPatterns("/api/**")
                .excludePathPatterns("/api/docs/**", "/api/swagger-ui/**");
    }

    private static final class Unknown implements HandlerInterceptor {

        @Override
        public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
            if (handler instanceof HandlerMethod method
                    && method.getBeanType().getPackage().equals(ApiParameters.class.getPackage())) {
                List<String> known = Arrays.stream(method.getMethodParameters())
                        .filter(p -> p.hasParameterAnnotation(RequestParam.class))
                        .map(Unknown::name)
                        .toList();
                request.getParameterMap().keySet().stream()
                        .filter(given -> !known.isEmpty() && !known.contains(given))
                        .findFirst()
                        .ifPresent(given -> {
                            throw new BadParameter(given, "is not known here", String.join(", ", known));
                        });
            }
            return true;
        }

        private static String name(MethodParameter parameter) {
            parameter.initParameterNameDiscovery(new DefaultParameterNameDiscoverer());
            return parameter.getParameterName();
        }
    }
}
