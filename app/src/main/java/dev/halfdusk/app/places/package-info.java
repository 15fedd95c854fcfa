/** Places with their skyline, marks and domes of light; nights of a place are asked of {@link dev.halfdusk.app.places.Skies}. */
package dev.halfdusk.app.places;
