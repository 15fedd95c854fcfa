/** What one pixel sees: sensors, lenses, dials, projections, framings. */
package dev.halfdusk.core.optics;
