import { screen } from '../fetch-program';

export default screen('Records');
