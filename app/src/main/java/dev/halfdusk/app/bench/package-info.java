/** The longest exposure by every school, test frame, depth of the ground. */
package dev.halfdusk.app.bench;
