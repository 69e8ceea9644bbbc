/** What the program is called, on the page and in the titles of windows. */
export const APP_NAME = "Abendrot";
