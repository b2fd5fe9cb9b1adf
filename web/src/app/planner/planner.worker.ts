import { expose } from 'comlink';
import { plannerEngine } from './planner-engine';

expose(plannerEngine);
