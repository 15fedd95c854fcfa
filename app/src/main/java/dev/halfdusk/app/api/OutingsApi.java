package dev.halfdusk.app.api;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.outings.OutingFile;
import dev.halfdusk.app.outings.OutingPlanner;
import dev.halfdusk.app.outings.SheetLine;
import dev.halfdusk.app.web.NotFound;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Planned outings. */
@RestController
@RequestMapping("/api/outings")
@Tag(name = "outings", description = "Planned nights")
class OutingsApi {

    private final OutingPlanner evening;
    private final OutingFile file;
    private final ObjectMapper json;

    OutingsApi(OutingPlanner evening, OutingFile file, ObjectMapper json) {
        this.evening = evening;
        this.file = file;
        this.json = json;
    }

    @GetMapping("/{id}/sheet")
    @Operation(summary = "The run sheet of an outing's takes, in the order of their time")
    List<SheetLine> sheet(@PathVariable long id) {
        return evening.sheet(id).orElseThrow(() -> new NotFound("outing " + id));
    }

    @GetMapping("/{id}")
    @Operation(summary = "An outing in its open format, as the schema describes it")
    JsonNode outing(@PathVariable long id) {
        return file.write(id).orElseThrow(() -> new NotFound("outing " + id));
    }

    @GetMapping(path = "/schema", produces = MediaType.APPLICATION_JSON_VALUE)
    @Operation(summary = "JSON schema of the open format")
    JsonNode schema() throws IOException {
        return Schemas.outing(json);
    }
}
