declare module "signalsmith-stretch" {
  export interface StretchSchedule {
    output?: number;
    active?: boolean;
    input?: number;
    rate?: number;
    semitones?: number;
    loopStart?: number;
    loopEnd?: number;
  }

  export interface StretchNode extends AudioWorkletNode {
    inputTime: number;
    addBuffers(channels: Float32Array[]): Promise<number>;
    dropBuffers(): Promise<void>;
    schedule(change: StretchSchedule): Promise<void>;
    latency(): Promise<number>;
  }

  interface Factory {
    (context: BaseAudioContext, options?: AudioWorkletNodeOptions): Promise<StretchNode>;
    moduleUrl?: string;
  }

  const factory: Factory;
  export default factory;
}
