package dev.halfdusk.app.exchange;

import dev.halfdusk.app.web.FileSizes;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.ModelAndView;

/** Answers a file that is too large; it is refused before a controller sees it, hence for all of them. */
@ControllerAdvice
class TooLarge {

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    Object tooLarge(HttpServletRequest request) {
        String why = "The file is larger than " + FileSizes.mostMegabytes(request.getRequestURI()) + " MB.";
        if (request.getRequestURI()
                .startsWith("/api/")) { // refused before it has a handler, hence not by the API's own advice
            return ResponseEntity.status(HttpStatus.PAYLOAD_TOO_LARGE)
                    .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                    .body(ProblemDetail.forStatusAndDetail(HttpStatus.PAYLOAD_TOO_LARGE, why));
        }
        if (request.getRequestURI().startsWith("/places/import")) {
            return PlaceExchangeController.refused(why + " Places need far less: leave out tracks and pictures.");
        }
        ModelAndView page =
                new ModelAndView("error", Map.of("status", HttpStatus.PAYLOAD_TOO_LARGE.value(), "why", why));
        page.setStatus(HttpStatus.PAYLOAD_TOO_LARGE);
        return page;
    }
}
