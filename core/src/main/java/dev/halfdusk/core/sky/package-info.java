/** Where things stand: time scales, ephemeris, earth rotation, apparent places, and the search for events. */
package dev.halfdusk.core.sky;
