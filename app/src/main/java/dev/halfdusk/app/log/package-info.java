/** Nights that are over, as they were planned and as they went, and what they teach. */
package dev.halfdusk.app.log;
