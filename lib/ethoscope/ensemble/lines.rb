# frozen_string_literal: true

module Ethoscope
  class Ensemble
    # What each layer plays, stroke by stroke or note by note, as the best source tells it, with its feel and what returns in it. The method is our own.
    class Lines
      # A line of a song holds no more notes than this.
      MOST = 20_000

      # @param players [Array<Player>]
      # @param grid [Rhythm::BeatGrid]
      # @param steps [Rhythm::StepGrid]
      # @param sections [Array<Form::Section>]
      # @param layers [Array<Layers::Layer>] where each layer plays: of a mix no strokes are told in bars in which their layer rests
      def initialize(players, grid, steps, sections, layers = [])
        @players = players
        @grid = grid
        @steps = steps
        @sections = sections
        @layers = layers
      end

      # @return [Array<Hash>] layer, role, source, notes ([beat from the start of bar 1, beats, MIDI pitch or nil, velocity]), feel and sections, see {LayerFeel}
      #   and {Rhythm::LayerPattern}; of the mix only notes, for its steps lie on the grid
      def all = @players.map { |player| line(player) }

      private

      def line(player)
        told = player.source != "mix"
        pattern = Rhythm::LayerPattern.new(player.events.map { |event| [event.beat, event.pitch] }, @steps.meter)
        { layer: player.name, role: player.role, source: player.source, notes: sounding(player).first(MOST).map { |event| note(event, player) },
          feel: told ? LayerFeel.new(player.events, @grid, @steps).to_h : nil,
          edited: 0, sections: told ? @sections.filter_map { |section| pattern.of(section.first_bar, section.bars) } : [] }
      end

      def sounding(player)
        activity = player.source == "mix" && @layers.find { |layer| layer.role == player.role }&.activity
        return player.events unless activity

        beats = @grid.meter.beats
        player.events.select { |event| (activity[(event.beat / beats).floor.clamp(0, activity.size - 1)] || 1.0) >= Layers::Activity::PLAYING }
      end

      # Keys of a kit are no pitches.
      def note(event, player) = [event.beat.round(3), event.beats.round(3), player.drums? ? nil : event.pitch, event.velocity.round(2)]
    end
  end
end
