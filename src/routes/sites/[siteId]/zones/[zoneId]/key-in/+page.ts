// the card is made of what this browser knows of the control: nothing of it stands on the server
export const ssr = false;
