# frozen_string_literal: true

module Ethoscope
  module Layers
    # When somebody sings on a mix: what {VoiceModel} believes of each beat, as the likeliest run of sung and voiceless beats (two states, after Rabiner, "A tutorial on
    # hidden Markov models", Proc. IEEE 1989).
    class Voice
      ROLE = "vocal"
      LEAD = "lead"
      # What it costs to begin or to end, as a logarithm of odds: a line is not sung by single beats.
      CHANGE = 2.0
      # Odds are held within this.
      LIMIT = 1e-3
      # Leads of synthesisers glide, too: a voice is told where one passage of so many beats is believed in this much on its mean beat, and then in all that are
      # believed in nearly as much; where none is believed in more than that it is a doubt, and its confidence so much of what it would be (docs/accuracy.md).
      TOLD = 0.85
      SURE = 0.9
      DOUBT = 0.55
      BEATS = 8
      LIKELY = 0.7
      # Fewer sung beats than this in a whole song are no voice.
      FEWEST_BEATS = 6
      # A pause between lines is no passage: that has so many bars.
      LEAST_REST = 2

      # @param voices [Array<Layer>] over the same bars, by whatever source
      # @return [Array<Range<Integer>>] bars, from 1, of the passages in which none of them sings
      def self.rests(voices)
        resting = voices.map(&:activity).transpose.map { |values| values.max < Activity::PLAYING }
        Spans.runs(resting).select { |run| run.size >= LEAST_REST }.map { |run| (run.first + 1)..(run.last + 1) }
      end

      # @param short_time [Signal::ShortTime]
      # @param spectra [Signal::LogSpectra]
      # @param grid [Rhythm::BeatGrid]
      # @param model [VoiceModel]
      def initialize(short_time, spectra, grid, model: VoiceModel.shipped)
        @grid = grid
        @likely = model.likelihood(VoiceFeatures.new(short_time, spectra, grid.edges).rows).to_a
      end

      # @return [Layer, nil] nil where nobody sings
      def layer
        return nil if sung.count(true) < FEWEST_BEATS

        Layer.of_mix(role: ROLE, activity:, confidence:, spans: Spans.of(sung, @grid.edges))
      end

      # @param layers [Array<Layer>] what else the mix tells
      # @return [Array<Layer>] the same with the voice, where somebody sings; what stands out then is the voice and no lead, unless the voice is a doubt
      def beside(layers)
        voice = layer or return layers
        [*layers.map { |one| one.role == LEAD && sure? ? without(one, voice) : one }, voice]
      end

      # @return [Array<Boolean>] by beat
      def sung
        @sung ||= begin
          told = best >= TOLD ? passages.select { |_, belief| belief >= LIKELY }.keys : []
          told.flatten.each_with_object([false] * @likely.size) { |beat, beats| beats[beat] = true }
        end
      end

      private

      # Runs of beats that are likelier sung than not, and the mean belief in each.
      def passages = @passages ||= Spans.runs(path).to_h { |run| [run, mean(@likely.values_at(*run))] }

      # The belief in the passage that is long enough and believed in most.
      def best = passages.select { |run, _| run.size >= BEATS }.values.max || 0.0

      def sure? = best >= SURE

      def without(lead, voice)
        activity = lead.activity.zip(voice.activity).map { |value, singing| singing >= Activity::PLAYING ? [value, (1 - singing).round(3)].min : value }
        Layer.of_mix(role: LEAD, activity:, confidence: lead.confidence, spans: Spans.of(activity.map { |value| value >= Activity::PLAYING }, @grid.bar_edges))
      end

      def path
        odds = @likely.map { |share| share.clamp(LIMIT, 1 - LIMIT).then { |held| Math.log(held / (1 - held)) } }
        back = []
        voiceless = 0.0
        singing = odds.first - CHANGE
        odds.drop(1).each do |gain|
          back << [singing - CHANGE > voiceless, singing >= voiceless - CHANGE]
          voiceless, singing = [voiceless, singing - CHANGE].max, [singing, voiceless - CHANGE].max + gain
        end
        back.reverse.each_with_object([singing > voiceless]) { |(begun, held), states| states << (states.last ? held : begun) }.reverse
      end

      def activity
        (0...@grid.bars).map do |bar|
          beats = (@grid.pickup + (bar * @grid.meter.beats))...(@grid.pickup + ((bar + 1) * @grid.meter.beats))
          # Half the bar sung is a sung bar; how sure each beat is moves it only within that.
          share = sung[beats].count(true) / @grid.meter.beats.to_f
          ((share + mean(@likely[beats])) / 2).then { |value| share >= Activity::PLAYING ? [value, Activity::PLAYING].max : [value, Activity::PLAYING - 0.01].min }.round(3)
        end
      end

      def confidence = (mean(@likely.map { |share| (share - 0.5).abs }) * 2 * (sure? ? 1 : DOUBT)).clamp(0.05, 0.95).round(2)

      def mean(values) = values.sum / values.size
    end
  end
end
