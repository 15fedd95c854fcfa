/** Numbers for SVG fragments, and files of simulated photographs. */
package dev.halfdusk.app.pictures;
