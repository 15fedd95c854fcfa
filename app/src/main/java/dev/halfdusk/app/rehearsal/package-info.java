/** Plans of eclipses of the sun: their scripts, their rehearsal and the day itself. */
package dev.halfdusk.app.rehearsal;
