/** Eclipses of the moon: shadow, contacts, circumstances at a place, darkness. */
package dev.halfdusk.core.eclipse;
