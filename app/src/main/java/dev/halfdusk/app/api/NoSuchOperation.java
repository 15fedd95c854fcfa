package dev.halfdusk.app.api;

/** A path under /api that means nothing. */
class NoSuchOperation extends RuntimeException {

    NoSuchOperation(String path) {
        super("there is no " + path + "; the operations are listed under /api/docs", null, false, false);
    }
}
