package dev.halfdusk.app.api;

import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.app.web.NotSaved;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.night.NoSuchDate;
import dev.halfdusk.core.sky.DateOutOfRange;
import java.net.URI;
import java.util.Collection;
import java.util.Map;
import org.springframework.core.MethodParameter;
import org.springframework.core.Ordered;
import org.springframework.core.ResolvableType;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.TransactionException;
import org.springframework.web.HttpMediaTypeNotAcceptableException;
import org.springframework.web.HttpMediaTypeNotSupportedException;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;

/** Every refusal of the API as problem+json (RFC 9457), with the parameter, what was given and what is allowed. */
@Order(Ordered.HIGHEST_PRECEDENCE)
@RestControllerAdvice(annotations = RestController.class, basePackageClasses = ApiErrors.class)
class ApiErrors {

    private static final Map<String, String> WANTED = Map.of(
            "Instant", "a time in UTC such as 2027-06-08T22:00:00Z",
            "LocalDate", "a date such as 2027-06-08",
            "ZoneId", "a time zone such as Europe/Lisbon");

    @ExceptionHandler
    ProblemDetail outOfRange(OutOfRange e) {
        return problem(
                e.getMessage(),
                Map.of("quantity", e.range().quantity(), "allowed", e.range().allowed()));
    }

    @ExceptionHandler
    ProblemDetail parameter(BadParameter e) {
        return problem(e.getMessage(), Map.of("parameter", e.parameter(), "allowed", e.allowed()));
    }

    @ExceptionHandler
    ProblemDetail date(DateOutOfRange e) {
        return problem(e.getMessage(), Map.of("allowed", "2000 to 2059"));
    }

    @ExceptionHandler
    ProblemDetail skipped(NoSuchDate e) {
        return problem(e.getMessage(), Map.of("parameter", "date"));
    }

    @ExceptionHandler
    ProblemDetail missing(MissingServletRequestParameterException e) {
        return problem(
                "the parameter " + e.getParameterName() + " is missing", Map.of("parameter", e.getParameterName()));
    }

    @ExceptionHandler
    ProblemDetail missing(MissingServletRequestPartException e) {
        return problem(
                "the file " + e.getRequestPartName() + " is missing", Map.of("parameter", e.getRequestPartName()));
    }

    @ExceptionHandler
    ProblemDetail noFiles(MultipartException e) {
        return problem("this is sent as multipart/form-data, with a file", Map.of("parameter", "file"));
    }

    @ExceptionHandler
    ProblemDetail medium(HttpMediaTypeNotSupportedException e) {
        return problem("this is sent as multipart/form-data, with a file", Map.of("parameter", "file"));
    }

    @ExceptionHandler
    ProblemDetail mistyped(MethodArgumentTypeMismatchException e) {
        if (e.getMostSpecificCause() instanceof DateOutOfRange outside) {
            return problem(
                    "the parameter " + e.getName() + " lies outside of what can be reckoned: " + outside.getMessage(),
                    Map.of("parameter", e.getName(), "allowed", "2000 to 2059"));
        }
        String wanted = wanted(e.getParameter().nestedIfOptional());
        return problem(
                "the parameter " + e.getName() + " is not " + wanted,
                Map.of("parameter", e.getName(), "allowed", wanted));
    }

    /** What a parameter of a type looks like. */
    private static String wanted(MethodParameter parameter) {
        if (parameter.getNestedParameterType() == boolean.class) {
            return "true or false";
        }
        Class<?> listed = ResolvableType.forMethodParameter(parameter)
                .as(Collection.class)
                .getGeneric()
                .resolve();
        Class<?> one = listed == null ? parameter.getNestedParameterType() : listed;
        if (one.isEnum()) {
            return String.join(", ", ApiDescription.words(one)) + (listed == null ? "" : "; several with commas");
        }
        String type = parameter.getNestedGenericParameterType().getTypeName();
        for (Map.Entry<String, String> known : WANTED.entrySet()) {
            if (type.contains(known.getKey())) {
                return known.getValue();
            }
        }
        return "a number";
    }

    @ExceptionHandler
    ProblemDetail notFound(NoSuchOperation e) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, e.getMessage());
        problem.setType(URI.create("/api/docs"));
        return problem;
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> method(HttpRequestMethodNotSupportedException e) {
        return ResponseEntity.status(HttpStatus.METHOD_NOT_ALLOWED)
                .allow(e.getSupportedHttpMethods().toArray(HttpMethod[]::new))
                .body(ProblemDetail.forStatusAndDetail(
                        HttpStatus.METHOD_NOT_ALLOWED,
                        e.getMethod() + " is not possible here; allowed: "
                                + String.join(", ", e.getSupportedMethods())));
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> format(HttpMediaTypeNotAcceptableException e) {
        return ResponseEntity.status(HttpStatus.NOT_ACCEPTABLE)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(ProblemDetail.forStatusAndDetail(
                        HttpStatus.NOT_ACCEPTABLE, "this is answered as JSON, or as the picture that its path names"));
    }

    @ExceptionHandler
    ProblemDetail absent(NotFound e) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, e.getMessage());
    }

    /** What the database did not take may be taken a little later. */
    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    ResponseEntity<ProblemDetail> notSaved(RuntimeException e) {
        NotSaved why = NotSaved.of(e).orElseThrow(() -> e);
        return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
                .header(HttpHeaders.RETRY_AFTER, "" + NotSaved.RETRY_AFTER_S)
                .body(ProblemDetail.forStatusAndDetail(HttpStatus.SERVICE_UNAVAILABLE, why.why()));
    }

    private static ProblemDetail problem(String detail, Map<String, Object> more) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, detail);
        problem.setProperties(more);
        return problem;
    }
}
