package dev.halfdusk.app.web;

/** Tells this installation from others, for identities that leave it. */
public interface Installation {

    /** An identity that no other installation gives, the same each time, such as "outing-7-leave@1f0c….half-dusk". */
    String uid(String local);
}
