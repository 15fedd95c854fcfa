package dev.halfdusk.app.web;

import dev.halfdusk.core.night.NoSuchDate;
import dev.halfdusk.core.sky.DateOutOfRange;
import java.util.Map;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.servlet.ModelAndView;

/** A night in an address that cannot be shown: the page says why. */
@ControllerAdvice(annotations = Controller.class)
@Order(0)
class NoSuchNight {

    @ExceptionHandler({DateOutOfRange.class, NoSuchDate.class})
    @ResponseStatus(HttpStatus.NOT_FOUND)
    ModelAndView explain(IllegalArgumentException e) {
        String why =
                Character.toUpperCase(e.getMessage().charAt(0)) + e.getMessage().substring(1) + ".";
        return new ModelAndView("error", Map.of("status", HttpStatus.NOT_FOUND.value(), "why", why));
    }
}
