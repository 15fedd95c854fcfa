package dev.halfdusk.app.api;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.servers.Server;
import java.util.List;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The head of the API's description. */
@Configuration(proxyBeanMethods = false)
class ApiDescription {

    @Bean
    OpenAPI openApi() {
        return new OpenAPI()
                .info(new Info()
                        .title("Half Dusk")
                        .version("1")
                        .description("Sky, optics and exposure for night photography. Units are in the names of the"
                                + " fields; refusals are problem+json with what is allowed."))
                .servers(List.of(new Server().url("/")));
    }
}
