package dev.halfdusk.app.web;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import org.springframework.boot.autoconfigure.web.servlet.error.ErrorViewResolver;
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

/** Who asked is told to try again, by one press: of a save that the database did not take, or a page that nobody had time for. */
@ControllerAdvice(annotations = Controller.class)
@Order(Ordered.HIGHEST_PRECEDENCE)
class Busy implements ErrorViewResolver {

    /** Nothing was stored, and what was typed can be sent again from the page that says so. */
    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    ModelAndView notSaved(RuntimeException e, HttpServletRequest request, HttpServletResponse response) {
        NotSaved why = NotSaved.of(e).orElseThrow(() -> e);
        response.setHeader(HttpHeaders.RETRY_AFTER, "" + NotSaved.RETRY_AFTER_S);
        return page(why.why(), request.getRequestURI(), request);
    }

    /** It waited for its turn too long. */
    @Override
    public ModelAndView resolveErrorView(HttpServletRequest request, HttpStatus status, Map<String, Object> model) {
        return status == HttpStatus.SERVICE_UNAVAILABLE
                ? page(InTurn.WHY, (String) request.getAttribute(RequestDispatcher.ERROR_REQUEST_URI), request)
                : null;
    }

    private static ModelAndView page(String why, String again, HttpServletRequest request) {
        ModelAndView page = new ModelAndView(
                "busy",
                Map.of(
                        "why",
                        why,
                        "reading",
                        "GET".equals(request.getMethod()),
                        "again",
                        again,
                        "typed",
                        request.getParameterMap(),
                        "file",
                        request instanceof MultipartHttpServletRequest));
        page.setStatus(HttpStatus.SERVICE_UNAVAILABLE);
        return page;
    }
}
