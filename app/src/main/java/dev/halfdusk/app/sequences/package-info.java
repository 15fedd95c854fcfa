/** Trails, time-lapse, stacks and panoramas by number of frames; programs for interval timers. */
package dev.halfdusk.app.sequences;
