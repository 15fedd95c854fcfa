/** Points on the ground: coordinates as people write them, distances and bearings, towns and their light. */
package dev.halfdusk.core.ground;
