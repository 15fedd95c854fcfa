/** The application: its start, its data folder and database. */
package dev.halfdusk.app;
