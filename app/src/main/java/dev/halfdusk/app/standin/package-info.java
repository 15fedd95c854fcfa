/** Simulated outside services: the forecast. */
package dev.halfdusk.app.standin;
