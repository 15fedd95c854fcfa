package dev.halfdusk.app.exchange;

import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.ModelAndView;

/** Answers a file that is too large; it is refused before a controller sees it, hence for all of them. */
@ControllerAdvice
class TooLarge {

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    ModelAndView tooLarge() {
        return PlaceExchangeController.refused(
                "The file is larger than 8 MB. Places need far less: leave out tracks and pictures.");
    }
}
