package dev.halfdusk.app.deleted;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Map;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.servlet.ModelAndView;

/** A page of what was deleted offers to bring it back; a save on it keeps what was typed, to be saved once it is back. */
@ControllerAdvice(annotations = Controller.class)
@Order(0)
class GonePage {

    @ExceptionHandler(Gone.class)
    ModelAndView offer(Gone e, HttpServletRequest request) {
        boolean saving = "POST".equals(request.getMethod());
        ModelAndView page = new ModelAndView(
                "deleted/gone",
                Map.of(
                        "thing",
                        e.thing(),
                        "saving",
                        saving,
                        "then",
                        request.getRequestURI(),
                        "typed",
                        saving ? request.getParameterMap() : Map.of()));
        page.setStatus(saving ? HttpStatus.CONFLICT : HttpStatus.NOT_FOUND);
        return page;
    }
}
