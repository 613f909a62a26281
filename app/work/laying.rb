# frozen_string_literal: true

module Work
  # Attempts of a study, laid on what they are attempts at: comparisons, verdicts on the checklist, and what was read again for that.
  class Laying
    # Comparisons that are kept ready.
    READY = 24

    # @param library [Store::Library]
    # @param kept [Store::Kept]
    def initialize(library, kept = Store::Kept.new(READY))
      @library = library
      @kept = kept
    end

    # @param attempt [Hash]
    # @return [Ethoscope::Attempts::SideBySide]
    # @raise [Refused] while one of both is not analysed, or nothing is said that it is an attempt at
    def comparison(attempt) = between(song_of(attempt), against(attempt), attempt[:lies], wishes(attempt))

    # @param attempt [Hash] held against no one song
    # @return [Styled::Standing] how it stands to the songs of its study
    # @raise [Refused] while one of them is not analysed, or they are too few
    def style(attempt) = @kept.keep([:style, stamp(attempt)]) { styled(attempt).standing.tap { |standing| standing.style.lines } }

    # Two attempts, the earlier one in the place of the reference.
    #
    # @param earlier [Hash]
    # @param later [Hash]
    # @return [Ethoscope::Attempts::SideBySide]
    def versions(earlier, later) = between(song_of(later), song_of(earlier), {}, Ethoscope::Attempts::Wishes.none)

    # @param attempt [Hash]
    # @return [Hash{Integer => Hash}] by item of its checklist: closeness, targets, words, and why where a person overruled it
    def verdicts(attempt)
      return {} unless attempt[:checklist_id]

      checklist = @library.checklists.find(attempt[:checklist_id])
      measured = @kept.keep([:verdicts, stamp(attempt), checklist[:items].map { |item| [item[:id], item[:targets]] }.hash]) { judged(attempt, checklist[:items]) }
      overruled = @library.attempts.overruled(attempt[:id])
      measured.to_h do |id, verdict|
        [id, { **verdict.to_h, measured: verdict.closeness, overruled: overruled[id] && overruled[id][:why], closeness: overruled[id]&.fetch(:closeness) || verdict.closeness }]
      end
    end

    # @param attempt [Hash]
    # @return [Hash{String => Integer}] items by closeness; by ear those that only the ear can tell
    def counts(attempt) = verdicts(attempt).values.map { |verdict| verdict[:closeness] || "by ear" }.tally

    # @param attempt [Hash]
    # @return [Array] changes whenever what a comparison rests on does
    def stamp(attempt)
      return [attempt[:id], wishes(attempt).to_h, styled(attempt).stamp] unless attempt[:against_id]

      rows = [song_of(attempt), @library.references.find(attempt[:against_id])]
      [attempt[:id], attempt[:lies], wishes(attempt).to_h, @library.vectors.stamps(rows)]
    end

    # Counts an attempt as its reference is counted, where both were counted otherwise. The reference leads: it is what the person works by.
    #
    # @param attempt [Hash]
    # @return [Hash] what was said, empty where nothing had to be
    def settle(attempt)
      song = song_of(attempt)
      theirs = attempt[:against_id] && @library.analysis(@library.references.find(attempt[:against_id]))
      mine = @library.analysis(song)
      return {} unless theirs && mine && theirs.to_h[:prints] && mine.to_h[:prints]

      settling = Ethoscope::Attempts::Settling.new(theirs, mine, leads: true)
      said = settling.count.fetch(:attempt, {})
      said = settling.first_downbeats.slice(:attempt).transform_keys { :first_downbeat } if said.empty?
      say(attempt, song, said) unless said.empty?
      said
    end

    private

    def styled(attempt) = Styled.new(@library, attempt, wishes(attempt))

    def song_of(attempt) = @library.references.find(attempt[:song_id])

    def against(attempt)
      raise Refused.new(:nothing_to_compare, "Say which reference this is an attempt at.") unless attempt[:against_id]

      @library.references.find(attempt[:against_id])
    end

    # The tempo and the key of the new track, as far as the study says them, the bar up to which it goes, and the layers whose items were left out.
    def wishes(attempt)
      study = @library.studies.find(attempt[:study_id])
      Ethoscope::Attempts::Wishes.new(**Wanted.of(study).to_h.slice(:bpm, :key, :way), left_out: left_out(attempt), bars: study[:scope_bar])
    end

    def left_out(attempt) = @library.items.skipped(attempt[:checklist_id]).filter_map { |about| about[/\Alayer:(.+)\z/, 1] }

    def between(mine, theirs, lies, wishes)
      one, other = [theirs, mine].map { |song| settled(song) }
      @kept.keep([:comparison, mine[:id], theirs[:id], @library.vectors.stamps([mine, theirs]), lies, wishes.to_h]) do
        Ethoscope::Attempts::SideBySide.new(one, other, wishes:, starts: lies[:starts], semitones: lies[:semitones]).tap(&:differences)
      end
    end

    def settled(song)
      sheet = @library.sheet(song) or raise Refused.new(:not_analysed, "“#{song[:title]}” is not analysed yet. Wait for it.")
      sheet.settled
    end

    def judge(attempt)
      return styled(attempt).judge unless attempt[:against_id]

      Ethoscope::Attempts::Judge.new(comparison(attempt), settled(song_of(attempt)), wishes(attempt), settled(against(attempt)))
    end

    def judged(attempt, items)
      judge = judge(attempt)
      items.to_h { |item| [item[:id], judge.of(item[:targets].map { |target| Ethoscope::Measures::Target.from_h(target) })] }
    end

    def say(attempt, song, said)
      note = "so that its bars are those of the reference"
      now = @library.readings.current(song[:id])
      @library.db.transaction(mode: :immediate) do
        correct(now["tempo"], { bpm: said[:bpm] }, note) if said[:bpm]
        correct(now["meter"], { name: said[:meter] || now["meter"][:value][:name], first_downbeat: said[:first_downbeat] }.compact, note) if said[:meter] || said[:first_downbeat]
        @library.attempts.settle(attempt[:id], said)
      end
      @library.follow(song)
    end

    def correct(reading, value, note) = @library.readings.correct(reading[:id], value:, source: "assumed", note:)
  end
end
