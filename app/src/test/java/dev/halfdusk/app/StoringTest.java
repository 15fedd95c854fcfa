package dev.halfdusk.app;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.places.Places;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

/** A test of pages that keeps what it stored before each of its tests; one that keeps nothing is a record of what it needs. */
@PageTest
public abstract class StoringTest {

    @Autowired
    protected MockMvc web;

    @Autowired
    protected Made made;

    @Autowired
    protected Places places;

    @Autowired
    protected Kit kit;

    @Autowired
    protected Outings outings;

    @Autowired
    protected Takes takes;
}
