package dev.halfdusk.app.exchange;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.ModelAndView;

/** Answers a file that is too large; it is refused before a controller sees it, hence for all of them. */
@ControllerAdvice
class TooLarge {

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    ModelAndView tooLarge(HttpServletRequest request) {
        if (request.getRequestURI().startsWith("/places/import")) {
            return PlaceExchangeController.refused(
                    "The file is larger than 8 MB. Places need far less: leave out tracks and pictures.");
        }
        ModelAndView page = new ModelAndView(
                "error",
                Map.of("status", HttpStatus.PAYLOAD_TOO_LARGE.value(), "why", "The file is larger than 8 MB."));
        page.setStatus(HttpStatus.PAYLOAD_TOO_LARGE);
        return page;
    }
}
