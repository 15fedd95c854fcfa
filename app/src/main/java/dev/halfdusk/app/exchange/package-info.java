/** Open formats in and out: places, all data in one file, what goes into a receiver. */
package dev.halfdusk.app.exchange;
