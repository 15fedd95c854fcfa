package dev.halfdusk.app.deleted;

import dev.halfdusk.app.web.NotFound;

/** Something asked for was deleted, in another window perhaps, and can be brought back. */
public class Gone extends NotFound {

    private final transient Thing thing;

    Gone(Thing thing) {
        super(thing.words() + " " + thing.name());
        this.thing = thing;
    }

    Thing thing() {
        return thing;
    }
}
