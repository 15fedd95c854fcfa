/** Weather by the hour, and what it does to glass, batteries and tripods. Forecasts come from outside. */
package dev.halfdusk.core.weather;
