// cards are made of what this browser knows of the controls: nothing of it stands on the server
export const ssr = false;
