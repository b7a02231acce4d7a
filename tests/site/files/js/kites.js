// The circle's own settings for the lightbox.
startLightbox({ loop: true });
