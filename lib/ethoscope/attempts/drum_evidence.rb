# frozen_string_literal: true

module Ethoscope
  module Attempts
    # What speaks for a piece of the kit being left out, added, or played otherwise, piece by piece of the song. The way is our own.
    class DrumEvidence < LayerEvidence
      NAMES = ["lost", "lost by itself", "gained", "gained by itself", "strokes apart", "activity lost", "left", "left by itself", "there before", "there before by itself",
               "register quieter", "strokes weaker", "strokes weaker still", "strokes stronger", "strokes stronger still", "lost elsewhere", "gained elsewhere"].freeze
      ROLES = %w[kick snare hats].freeze
      # Bands, from the lowest, in which each piece of the kit is loudest.
      BANDS = { "kick" => 0..2, "snare" => 4..6, "hats" => 8..9 }.freeze
      # Strokes a bar as few as this are none.
      FEW = 0.4
      # A step is struck in one song and not in the other when their likelihoods are this far apart.
      APART = 0.5
      # A step is struck when that is likelier than not.
      STRUCK = 0.5
      # What of the sound of a step shows each piece of the kit best: how far the lowest register jumps and falls, how loud the body and the crack are, how far the
      # air jumps and how loud it is.
      SOUND = { "kick" => %i[low_rise low_fall], "snare" => %i[body crack], "hats" => %i[air_rise crack] }.freeze
      # Ratios beyond this say no more.
      MOST = 2.0

      # @param laid [Laid]
      # @param role [String] one of ROLES
      def initialize(laid, role)
        super(laid)
        @role = role
      end

      # @return [Numo::DFloat] shape [pieces, NAMES and ROLES]; which piece of the kit it is counts beside what was heard of it
      def rows
        own = @pieces.map { |piece| own(piece) }
        others = [0, 2].map { |column| Signal::Middle.of(own.map { |row| row[column] }) }
        weaker = strength(@songs, ->(piece) { [piece.reference, piece.attempt] })
        stronger = strength(@songs.reverse, ->(piece) { [piece.attempt, piece.reference] })
        Numo::DFloat.cast(own.each_with_index.map { |row, i| [*row, *weaker[i], *stronger[i], *others, *ROLES.map { |role| role == @role ? 1.0 : 0.0 }] })
      end

      private

      def own(piece)
        context = means(piece) { |song| song.strokes(@role) }
        itself = means(piece) { |song| song.struck(@role) }
        [*shares(*context).zip(shares(*itself)).flatten, Math.log(1 + steps_apart(context, itself)), activity(piece), *lefts(context, itself), quieter(piece, BANDS.fetch(@role))]
      end

      # How much weaker the sound of the steps that are struck in the first song is in the second, against what it is in the other pieces of the song.
      def strength(songs, places)
        apart = @pieces.map { |piece| sound_apart(*songs, *places.call(piece)) }
        usual = apart.compact.transpose.map { |values| Signal::Middle.of(values) }
        apart.map { |values| values ? values.zip(usual).map { |value, middle| (value - middle).clamp(-MOST, MOST) } : SOUND.fetch(@role).map { 0.0 } }
      end

      # nil where nothing is struck there.
      def sound_apart(one, other, bars, others)
        struck = one.struck(@role)[bars, true].mean(axis: 0)
        steps = (struck > STRUCK).where.to_a
        return nil if steps.empty?

        weights = struck[steps] / struck[steps].sum
        SOUND.fetch(@role).map { |name| ((one.attacks(name)[bars, steps].mean(axis: 0) - other.attacks(name)[others, steps].mean(axis: 0)) * weights).sum }
      end

      def means(piece)
        parts(piece).map { |song, bars| yield(song)[bars, true].mean(axis: 0) }
      end

      # Of the strokes there, the share that is not here; and the other way round.
      def shares(there, here)
        [[there, here], [here, there]].map { |one, other| (one - other).clip(0, nil).sum / (one.sum + FEW) }
      end

      def steps_apart(context, itself) = ((context.reduce(:-).abs > APART) & (itself.reduce(:-).abs > APART)).count

      # Where stems or notes tell it of one song only, both are read off their likeliest strokes: what is told and what is heard can't be compared.
      def activity(piece)
        return parts(piece).map { |song, bars| song.strokes(@role)[bars, true].max(axis: 1).mean }.reduce(:-) if @songs.any? { |song| song.told(@role) }

        activities(piece, @role).reduce(:-)
      end

      def lefts(context, itself)
        [context, itself, context.reverse, itself.reverse].map { |there, here| [(here.sum + FEW) / (there.sum + FEW), MOST].min }
      end
    end
  end
end
