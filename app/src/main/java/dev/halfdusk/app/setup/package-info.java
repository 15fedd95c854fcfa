/** The one reader of rig, place, night, minute and aim out of an address, and the one view of a proposal. */
package dev.halfdusk.app.setup;
