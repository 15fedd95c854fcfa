/** Where to stand so that something is over a mark. */
package dev.halfdusk.app.stand;
