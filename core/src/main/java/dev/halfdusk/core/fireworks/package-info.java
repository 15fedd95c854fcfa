/** Fireworks: where bursts stand, how they are exposed and timed, where their smoke goes. Typical figures; the organiser's are better. */
package dev.halfdusk.core.fireworks;
