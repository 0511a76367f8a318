import type { Schemas } from './client';

export type HoleReply = Schemas['HoleReply'];
export type HoleAnswer = Schemas['HoleAnswerWire'];
export type HoleStep = Schemas['HoleStepWire'];
export type NearTool = Schemas['NearToolWire'];
