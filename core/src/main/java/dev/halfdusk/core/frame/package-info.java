/** A simulated photograph: what a camera makes of the real sky in front of it. */
package dev.halfdusk.core.frame;
