/** From a night, a place and a kit to takes and a run sheet. */
package dev.halfdusk.core.outing;
