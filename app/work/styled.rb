# frozen_string_literal: true

module Work
  # An attempt in the style of the songs of its study, where it is held against no one of them.
  class Styled
    # The song that a run of bars equals stands under its own id.
    Standing = Ethoscope::Value.of(:style, :songs) do
      # @return [Hash]
      def to_h
        told = style.to_h
        { **told, near: told[:near].map { |run| { **run.except(:song), reference_id: songs[run[:song]].id, title: songs[run[:song]].title } } }
      end
    end

    # @param library [Store::Library]
    # @param attempt [Hash]
    # @param wishes [Ethoscope::Attempts::Wishes]
    def initialize(library, attempt, wishes)
      @library = library
      @attempt = attempt
      @wishes = wishes
    end

    # @return [Array] changes whenever something does that this rests on
    def stamp = [rows.map { |row| row.slice(:id, :title, :standing) }, @library.vectors.stamps([*rows, own_row])]

    # @return [Standing]
    # @raise [Refused] while one of them is not analysed, or they are too few
    def standing
      own = @library.song(own_row) or raise Refused.new(:not_analysed, "“#{own_row[:title]}” is not analysed yet. Wait for it.")
      songs = counted
      raise Refused.new(:nothing_to_compare, "Say which reference this is an attempt at, or give the study more songs.") if songs.size < Ethoscope::Attempts::InStyle::FEWEST

      Standing.new(songs:, style: Ethoscope::Attempts::InStyle.new(own, songs, bpm: @wishes.bpm, near: near(songs)))
    end

    # @return [Ethoscope::Attempts::StyleJudge]
    def judge = Ethoscope::Attempts::StyleJudge.new(@library.song(own_row).vector, bpm: @wishes.bpm, key: @wishes.key)

    private

    def own_row = @own_row ||= @library.references.find(@attempt[:song_id])

    def rows = @rows ||= @library.references.of_study(@attempt[:study_id]).select { |row| Ethoscope::Profile::Song::STANDINGS.fetch(row[:standing]).positive? }

    def counted = @library.songs.of(rows).first.values

    # Songs of older engines printed no bars: they can't be looked through.
    def near(songs)
      printed = songs.each_index.to_h { |number| [number, prints(songs[number].id)] }.compact
      own = prints(own_row[:id]) or return []
      Ethoscope::Attempts::TooNear.new(own, printed.values).runs.map { |run| run.class.new(**run.to_h, song: printed.keys[run.song]) }
    end

    def prints(id)
      Ethoscope::Attempts::Prints.new(@library.sheet(@library.references.find(id)).settled)
    rescue Ethoscope::Errors::Unfit
      nil
    end
  end
end
