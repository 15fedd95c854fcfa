package dev.halfdusk.app.api;

import dev.halfdusk.app.outings.Evening;
import dev.halfdusk.app.outings.SheetLine;
import dev.halfdusk.app.web.NotFound;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Planned outings. */
@RestController
@RequestMapping("/api/outings")
@Tag(name = "outings", description = "Planned nights")
class OutingsApi {

    private final Evening evening;

    OutingsApi(Evening evening) {
        this.evening = evening;
    }

    @GetMapping("/{id}/sheet")
    @Operation(summary = "The run sheet of an outing's takes, in the order of their time")
    List<SheetLine> sheet(@PathVariable long id) {
        return evening.sheet(id).orElseThrow(() -> new NotFound("outing " + id));
    }
}
