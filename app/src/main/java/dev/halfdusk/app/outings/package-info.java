/** Nights that are planned: their takes, the workspace, the run sheet, files. */
package dev.halfdusk.app.outings;
