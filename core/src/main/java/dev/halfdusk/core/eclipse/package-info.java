/** Eclipses of moon and sun: contacts, circumstances at a place, filters, cues and scripts. */
package dev.halfdusk.core.eclipse;
