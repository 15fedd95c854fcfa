package dev.halfdusk.app.web;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.ResponseStatus;

/** Something asked for by id or name is not there. */
@ResponseStatus(HttpStatus.NOT_FOUND)
public class NotFound extends RuntimeException {

    public NotFound(String what) {
        super(what + " is not here", null, false, false);
    }
}
