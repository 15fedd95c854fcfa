/** The light table: frames that come back from the camera are read, judged and compared with what was planned. */
package dev.halfdusk.app.lighttable;
