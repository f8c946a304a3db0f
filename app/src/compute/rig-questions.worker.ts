import { expose } from 'comlink';
import { RigQuestions } from './rig-questions';

expose(new RigQuestions());
