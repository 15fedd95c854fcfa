/** What all pages share: layout, forms, words, refusals, kept pages, the guard at the door. */
package dev.halfdusk.app.web;
