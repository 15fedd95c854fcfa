package dev.halfdusk.app.api;

import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.databind.JsonSerializer;
import com.fasterxml.jackson.databind.SerializerProvider;
import java.io.IOException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import org.springframework.boot.autoconfigure.jackson.Jackson2ObjectMapperBuilderCustomizer;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.filter.ShallowEtagHeaderFilter;

/** Times in answers: ISO, UTC, always three decimals, rounded. */
@Configuration(proxyBeanMethods = false)
class ApiFormats {

    @Bean
    Jackson2ObjectMapperBuilderCustomizer times() {
        return builder -> builder.serializerByType(Instant.class, new Milliseconds());
    }

    /** An answer is a function of its address and of what is stored: whoever has it already is told so. */
    @Bean
    FilterRegistrationBean<ShallowEtagHeaderFilter> etags() {
        FilterRegistrationBean<ShallowEtagHeaderFilter> filter =
                new FilterRegistrationBean<>(new ShallowEtagHeaderFilter());
        filter.addUrlPatterns("/api/*");
        return filter;
    }

    private static final class Milliseconds extends JsonSerializer<Instant> {

        private static final DateTimeFormatter FORMAT =
                DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HH:mm:ss.SSS'Z'").withZone(ZoneOffset.UTC);

        @Override
        public void serialize(Instant value, JsonGenerator out, SerializerProvider provider) throws IOException {
            out.writeString(FORMAT.format(value.plusNanos(500_000)));
        }
    }
}
