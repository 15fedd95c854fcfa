package dev.halfdusk.app.exchange;

/** A file that cannot be taken; the message says where and why. */
public class BadFile extends RuntimeException {

    public BadFile(String message) {
        super(message, null, false, false);
    }

    static BadFile at(int line, String why) {
        return new BadFile("Line " + line + ": " + why);
    }
}
