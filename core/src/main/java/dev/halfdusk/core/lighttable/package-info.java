/** What a finished frame shows, measured: shapes of its stars, its sky, where it looked; and what is to be changed for the next. */
package dev.halfdusk.core.lighttable;
