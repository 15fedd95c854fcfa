/** What a night was, beside what was planned; what follows from many for the next. */
package dev.halfdusk.core.log;
