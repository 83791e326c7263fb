import { screen } from '../fetch-program';

export default screen('DayScreen');
