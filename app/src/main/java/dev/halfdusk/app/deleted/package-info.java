/** What was deleted lately, kept until it is brought back or emptied. */
package dev.halfdusk.app.deleted;
