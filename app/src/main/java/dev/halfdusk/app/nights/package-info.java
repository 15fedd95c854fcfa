/** One night, a year of nights as a carpet, the search for the best ones. */
package dev.halfdusk.app.nights;
