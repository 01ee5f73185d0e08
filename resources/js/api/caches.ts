/** What the service worker keeps: the page, what is known of pieces, pictures. */
export const PAGES = 'prism-pages';
export const STUDIO = 'prism-studio';
export const PICTURES = 'prism-pictures';
