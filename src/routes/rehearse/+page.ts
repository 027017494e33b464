// its card, and the control that it is keyed on, are made where they are played with: nothing of it stands on the server
export const ssr = false;
