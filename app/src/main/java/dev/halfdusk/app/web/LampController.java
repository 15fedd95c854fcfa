package dev.halfdusk.app.web;

import java.time.Duration;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Changes the lamp and goes back to where the person was. */
@Controller
class LampController {

    @PostMapping("/lamp")
    ResponseEntity<Void> change(@RequestParam String lamp, @RequestParam(defaultValue = "/") String back) {
        ResponseCookie cookie = ResponseCookie.from(Lamp.COOKIE, Lamp.of(lamp).key())
                .path("/")
                .maxAge(Duration.ofDays(365))
                .sameSite("Lax")
                .build();
        return ResponseEntity.status(HttpStatus.SEE_OTHER)
                .header(HttpHeaders.SET_COOKIE, cookie.toString())
                .header(HttpHeaders.LOCATION, local(back))
                .build();
    }

    /** Only paths of this application: nothing that a browser could read as another host. */
    private static String local(String path) {
        return path.matches("/[A-Za-z0-9][A-Za-z0-9/?&=._:%+-]*") ? path : "/";
    }
}
