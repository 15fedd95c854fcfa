/** The public JSON API with its description and its refusals. */
package dev.halfdusk.app.api;
