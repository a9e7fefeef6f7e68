import { computing } from './computing';
import { serve } from './serve';

serve(computing);
