/** The night in one hand: what runs now, what comes next, what was said of it. */
package dev.halfdusk.app.field;
