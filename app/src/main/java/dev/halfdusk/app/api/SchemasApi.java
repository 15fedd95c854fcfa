package dev.halfdusk.app.api;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import org.springframework.core.io.ClassPathResource;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Schemas of the files. */
@RestController
@RequestMapping("/api/schemas")
@Tag(name = "files", description = "What the files hold")
class SchemasApi {

    /** What is described. */
    public enum File {
        KIT,
        PLACES,
        OUTING,
        ECLIPSE,
        ECLIPSE_PLAN
    }

    private final ObjectMapper json;

    SchemasApi(ObjectMapper json) {
        this.json = json;
    }

    @GetMapping("/{file}")
    @Operation(summary = "JSON schema (draft 2020-12) of a file that is written and read")
    JsonNode schema(@PathVariable File file) throws IOException {
        return switch (file) {
            case KIT -> Schemas.kit();
            case PLACES -> Schemas.places();
            case OUTING -> Schemas.outing(json);
            case ECLIPSE -> shipped("half-dusk-eclipse-1.json");
            case ECLIPSE_PLAN -> Schemas.eclipsePlan();
        };
    }

    private JsonNode shipped(String name) throws IOException {
        return json.readTree(new ClassPathResource("schemas/" + name).getInputStream());
    }
}
