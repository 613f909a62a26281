# frozen_string_literal: true

module Ethoscope
  class Ensemble
    # Plays a score plainly, so that a song of which only the notes are known can be looked at and heard like any other: four partials
    # that die away for pitches, bursts of noise and low tones for drums. It says nothing of sound, level or place. The method is our own.
    module Rendition
      # Partials above this share of the rate would fold back.
      HIGHEST_SHARE = 0.45
      RATE = 22_050
      # Partials' levels, and how fast they die away, per second.
      PARTIALS = [1.0, 0.5, 0.3, 0.15].freeze
      DECAY = 1.5
      LONGEST_SECONDS = 12.0
      RELEASE_SECONDS = 0.03
      LEAD_IN = 0.25
      TAIL = 1.5
      PEAK = 0.8
      # How long each piece of a kit sounds, in seconds; the kick's pitch in Hz.
      DRUMS = { "kick" => 0.22, "snare" => 0.18, "hats" => 0.06, "percussion" => 0.1 }.freeze
      KICK_HZ = 58.0
      LEVELS = { "kick" => 1.0, "snare" => 0.6, "hats" => 0.25, "percussion" => 0.3, "bass" => 0.5, "lead" => 0.3 }.freeze
      USUAL = 0.18
      NOISE_SEED = 11

      # @param score [Midi::Score]
      # @return [Audio::Recording] mono
      # @raise [Errors::UnusableAudio] when it is longer than a recording may be
      def self.of(score)
        seconds = score.seconds(score.length) + LEAD_IN + TAIL
        if seconds > Audio::Decoder::MAX_SECONDS
          raise Errors::UnusableAudio, "The MIDI file lasts #{(seconds / 60).round} minutes; at most #{Audio::Decoder::MAX_SECONDS / 60} can be looked at."
        end

        samples = Numo::SFloat.zeros(1, ([seconds, Audio::Decoder::MIN_SECONDS + 1.0].max * RATE).ceil)
        tables = {}
        Midi::Parts.of(score).each { |part| part.notes.each { |note| add(samples, score, part.role, note, tables) } }
        Audio::Recording.new(channels: samples * (PEAK / [samples.abs.max, 1e-6].max), rate: RATE)
      end

      def self.add(samples, score, role, note, tables)
        start = ((score.seconds(note.start) + LEAD_IN) * RATE).round
        sound = note.drum? ? drum(role, tables) : tone(note.pitch, score.seconds(note.end) - score.seconds(note.start), tables)
        count = [sound.size, samples.shape[1] - start].min
        samples[0, start...(start + count)] += sound[0...count] * ((note.velocity / 127.0) * LEVELS.fetch(role, USUAL)) if count.positive?
      end
      private_class_method :add

      def self.tone(pitch, seconds, tables)
        table = tables[pitch] ||= partials(440.0 * (2**((pitch - 69) / 12.0)))
        count = (seconds.clamp(0.05, LONGEST_SECONDS) * RATE).round
        fade = [(RELEASE_SECONDS * RATE).round, count].min
        table[0...count].dup.tap { |sound| sound[-fade..] *= Numo::SFloat.new(fade).seq(fade, -1) / fade }
      end
      private_class_method :tone

      def self.partials(hertz)
        time = Numo::DFloat.new((LONGEST_SECONDS * RATE).ceil).seq / RATE
        kept = PARTIALS.each_with_index.select { |_, i| hertz * (i + 1) < RATE * HIGHEST_SHARE }
        wave = kept.sum { |level, i| Numo::NMath.sin(time * (2 * Math::PI * hertz * (i + 1))) * level }
        Numo::SFloat.cast(wave * Numo::NMath.exp(time * -DECAY) * (time * 150).clip(0, 1))
      end
      private_class_method :partials

      def self.drum(role, tables)
        tables[role] ||= begin
          seconds = DRUMS.fetch(role, DRUMS["percussion"])
          time = Numo::DFloat.new((seconds * RATE).round).seq / RATE
          body = role == "kick" ? Numo::NMath.sin(time * (2 * Math::PI * KICK_HZ)) : noise(time.size)
          Numo::SFloat.cast(body * Numo::NMath.exp(time * (-5 / seconds)))
        end
      end
      private_class_method :drum

      # The same noise every time, so that a score always sounds the same.
      def self.noise(count)
        random = Random.new(NOISE_SEED)
        white = Numo::DFloat.cast(Array.new(count) { random.rand(-1.0..1.0) })
        white - Signal::Series.running_mean(white, 5)
      end
      private_class_method :noise
    end
  end
end
