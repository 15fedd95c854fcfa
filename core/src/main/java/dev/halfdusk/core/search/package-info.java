/** Searches over many nights and years: best nights, bodies over a direction, where to stand. */
package dev.halfdusk.core.search;
