package dev.halfdusk.app.web;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** The worker that keeps opened outings readable lies at the root, since it may answer only for what lies below it. */
@Controller
class OfflineController {

    @GetMapping("/sw.js")
    String worker() {
        return "forward:/assets/sw.js";
    }
}
