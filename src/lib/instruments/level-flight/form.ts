import { form } from '../form';
import { WANTED } from '../shared/attitude';

export const fields = form(WANTED);
