package dev.halfdusk.app.api;

/** A parameter of the API that cannot be used. */
class BadParameter extends RuntimeException {

    private final String parameter;
    private final String allowed;

    BadParameter(String parameter, String what, String allowed) {
        super("the parameter " + parameter + " " + what + "; allowed: " + allowed, null, false, false);
        this.parameter = parameter;
        this.allowed = allowed;
    }

    String parameter() {
        return parameter;
    }

    String allowed() {
        return allowed;
    }
}
