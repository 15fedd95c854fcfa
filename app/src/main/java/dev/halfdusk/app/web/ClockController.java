package dev.halfdusk.app.web;

import java.time.Clock;
import java.util.Map;
import org.springframework.http.CacheControl;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** What time it is here, for pages that count: a page may be old, or its device may have slept. */
@Controller
class ClockController {

    private final Clock clock;

    ClockController(Clock clock) {
        this.clock = clock;
    }

    @GetMapping("/clock")
    ResponseEntity<Map<String, Long>> now() {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .body(Map.of("epochMs", clock.instant().toEpochMilli()));
    }
}
