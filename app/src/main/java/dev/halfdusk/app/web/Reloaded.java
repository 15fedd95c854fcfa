package dev.halfdusk.app.web;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;

/**
 * A form that was refused leaves the address it was sent to. Who loads that address again, or comes back to it, gets the page
 * above it instead of an error.
 */
@ControllerAdvice
class Reloaded {

    @ExceptionHandler
    ResponseEntity<Void> above(HttpRequestMethodNotSupportedException e, HttpServletRequest request)
            throws HttpRequestMethodNotSupportedException {
        String path = request.getRequestURI();
        if (!e.getMethod().equals("GET") || path.startsWith("/api/")) {
            throw e;
        }
        String above = path.substring(0, Math.max(1, path.lastIndexOf('/')));
        String query = request.getQueryString();
        return ResponseEntity.status(HttpStatus.SEE_OTHER)
                .header(HttpHeaders.LOCATION, above + (query == null ? "" : "?" + query))
                .build();
    }
}
