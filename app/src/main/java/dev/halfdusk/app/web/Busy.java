package dev.halfdusk.app.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.multipart.MultipartHttpServletRequest;
import org.springframework.web.servlet.ModelAndView;

/** A save that the database did not take: nothing was stored, and what was typed can be sent again from the page that says so. */
@ControllerAdvice(annotations = Controller.class)
@Order(Ordered.HIGHEST_PRECEDENCE)
class Busy {

    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    ModelAndView notSaved(RuntimeException e, HttpServletRequest request, HttpServletResponse response) {
        NotSaved why = NotSaved.of(e).orElseThrow(() -> e);
        response.setHeader(HttpHeaders.RETRY_AFTER, "" + NotSaved.RETRY_AFTER_S);
        ModelAndView page = new ModelAndView(
                "busy",
                Map.of(
                        "why", why.why(),
                        "reading", "GET".equals(request.getMethod()),
                        "again", request.getRequestURI(),
                        "typed", request.getParameterMap(),
                        "file", request instanceof MultipartHttpServletRequest));
        page.setStatus(HttpStatus.SERVICE_UNAVAILABLE);
        return page;
    }
}
