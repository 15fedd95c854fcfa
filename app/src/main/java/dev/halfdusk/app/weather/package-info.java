/** The forecast of a place, as far as it reaches. */
package dev.halfdusk.app.weather;
