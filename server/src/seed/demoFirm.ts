/** The sample firm: invented people in an invented valley, used nowhere else. */
export const demoSignIn = { email: 'wren@brackenfold.example', password: 'clear-water-8' };
export const demoOwner = { name: 'Wren Askeby', firm: 'Brackenfold Water Care' };
