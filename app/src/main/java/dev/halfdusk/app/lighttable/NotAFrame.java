package dev.halfdusk.app.lighttable;

/** A file that cannot be read as a frame, with the reason in words for the person who sent it. */
public class NotAFrame extends Exception {

    private static final long serialVersionUID = 1;

    NotAFrame(String why) {
        super(why);
    }
}
