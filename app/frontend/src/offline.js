// Outings that were opened stay readable without the server.
navigator.serviceWorker?.register("/sw.js").catch(() => {});
