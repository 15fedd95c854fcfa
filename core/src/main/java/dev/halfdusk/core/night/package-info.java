/** A night at a place as a whole, and the search among nights. */
package dev.halfdusk.core.night;
