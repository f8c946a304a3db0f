import { expose } from 'comlink';
import { LogQuestions } from './log-questions';

expose(new LogQuestions());
