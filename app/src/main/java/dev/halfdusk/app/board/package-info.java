/** The first page: tonight and the next nights worth going out for. */
package dev.halfdusk.app.board;
