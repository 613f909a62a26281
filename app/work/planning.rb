# frozen_string_literal: true

module Work
  # Makes a checklist from one reference or from the profile of a study, and tells what its items would be now.
  class Planning
    # @param library [Store::Library]
    # @param study [Hash]
    # @param kept [Store::Kept] items that were made from what has not changed since
    # @param wanted [Wanted] of the new track, as the study says it or otherwise
    def initialize(library, study, kept = Store::Kept.new(1), wanted: Wanted.of(study))
      @library = library
      @study = study
      @wanted = wanted.to_h
      @kept = kept
    end

    # @param wanted [Hash] from (profile or reference), reference_id, school
    # @return [Hash] the stored checklist
    # @raise [Refused] when there is nothing to plan from, or what was put right is not worked in yet
    def create(wanted)
      school = Ethoscope::Checklist::Schools.find(wanted[:school] || "chords")
      wanted[:from] == "reference" ? from_reference(wanted[:reference_id], school) : from_profile(school)
    end

    # What each item of a checklist would say if it were made now; those that would say the same are left out.
    #
    # @param checklist [Hash]
    # @return [Hash{Integer => Hash}] by item: target and tolerance, nil for both where there would be no such item any more
    def changes(checklist)
      fresh = items_now(checklist) or return {}
      checklist[:items].zip(counterparts(checklist[:items], fresh)).reject { |item, now| item[:own] || Planning.same?(item, now) }
                       .to_h { |item, now| [item[:id], now ? now.to_h.slice(:target, :tolerance) : { target: nil, tolerance: nil }] }
    end

    # A checklist as it would stand in these wishes: items that say what the readings say in the study's own wishes say it in these.
    #
    # @param checklist [Hash]
    # @param own [Planning] in the study's own wishes
    # @return [Array<Hash>] its items
    def told(checklist, own)
      mine = own.all_now(checklist)
      here = all_now(checklist)
      return checklist[:items] unless mine && here

      checklist[:items].each_with_index.map do |item, i|
        here[i] && Planning.same?(item, mine[i]) ? item.merge(here[i].to_h.slice(:target, :tolerance, :targets, :steps, :fallback)) : item
      end
    end

    # @param checklist [Hash]
    # @return [Array<Ethoscope::Checklist::Item, nil>, nil] by item what it would be now, nil where it is a person's own or nothing says it; nil while
    #   nothing can be said
    def all_now(checklist)
      fresh = items_now(checklist) and counterparts(checklist[:items], fresh)
    end

    # @param item [Hash]
    # @param now [Ethoscope::Checklist::Item, nil]
    # @return [Boolean] whether it says the same
    def self.same?(item, now) = !now.nil? && item[:target] == now.target && item[:tolerance] == now.tolerance

    # @param checklist [Hash]
    # @param item_id [Integer]
    # @return [Ethoscope::Checklist::Item, nil] what the item would be now
    def item_now(checklist, item_id)
      fresh = items_now(checklist) or return nil
      checklist[:items].zip(counterparts(checklist[:items], fresh)).find { |item, _| item[:id] == item_id }&.last
    end

    private

    # What each item would be now. Of several that are told apart by their place alone (two verses with a line each) the first is the first, and so on.
    def counterparts(items, fresh)
      by_identity = fresh.group_by(&:identity)
      by_title = fresh.group_by { |item| [item.stage, item.title] }
      items.map do |item|
        next nil if item[:own]
        next claimed[item[:about]] if item[:about].to_s.start_with?("claim:")

        by_identity[identity(item)]&.shift || by_title[[item[:stage], item[:title]]]&.first
      end
    end

    # What rows of the profile would say as items now.
    def claimed
      @claimed ||= begin
        claims = Ethoscope::Profile::Claims.new(songs.map(&:traits), weights: songs.map(&:weight)).all
        Ethoscope::Checklist::FromClaims.items(claims).to_h { |item| [item.about, item] }
      end
    end

    def identity(item) = Ethoscope::Checklist::Item.identity(item[:stage], item[:title], item[:targets].map { |target| Ethoscope::Measures::Target.from_h(target) })

    # nil while nothing can be said: what was put right is still being worked in, or the reference is gone.
    def items_now(checklist)
      @items_now ||= checklist[:reference_id] ? song_items(@library.references.find(checklist[:reference_id])) : profile_items
    rescue Refused, Store::Missing, Store::Unshowable
      nil
    end

    def from_reference(reference_id, school)
      raise Refused.new(:invalid, "Say which reference the checklist comes from.", "reference_id") unless reference_id

      reference = @library.references.find(reference_id)
      raise Refused.new(:invalid, "This reference belongs to another study.", "reference_id") unless reference[:study_id] == @study[:id]

      items = song_items(reference)
      reading_ids = @library.readings.current(reference_id).transform_values { |reading| reading[:id] }
      @library.checklists.create(study_id: @study[:id], title: reference[:title], school:, items:, reference_id:, reading_ids:)
    end

    def from_profile(school)
      items = profile_items
      count = songs.size
      @library.checklists.create(study_id: @study[:id], title: "In the style of #{count} #{count == 1 ? "song" : "songs"}", school:, items:)
    end

    def song_items(reference)
      check_worked_in([reference])
      @kept.keep([:song_items, @wanted, @library.stamp(@study, of: [reference])]) do
        song = @library.song(reference, scope: @study[:scope_bar]) or raise not_ready
        Ethoscope::Checklist::Plan.of_song(song, aim: @study[:aim], wanted: @wanted, entries:, from: from(song)).items
      end
    end

    def profile_items
      check_worked_in(@library.references.of_study(@study[:id]))
      @kept.keep([:profile_items, @wanted, @library.stamp(@study)]) do
        raise not_ready if songs.empty?

        Ethoscope::Checklist::Plan.of_profile(songs, wanted: @wanted, entries:).items
      end
    end

    # Songs that count in the profile.
    def songs = @songs ||= @library.songs.of(@library.references.of_study(@study[:id])).first.values.select { |song| song.weight.positive? }

    # A song that ends before is taken whole.
    def from(song) = [@study[:scope_from] || 1, song.bars].min

    # Figures of before would stand in it without a word.
    def check_worked_in(references)
      waiting = references.find { |reference| %w[queued running].include?(@library.derivation(reference)&.fetch(:state)) } or return
      raise Refused.new(:deriving, "Your correction of “#{waiting[:title]}” is still being analysed. Make the checklist in a moment.")
    end

    # The library's entries with the study's own words.
    def entries = @library.entries.by_kind(@study[:id]).method(:[])

    def not_ready = Refused.new(:nothing_analysed, "The analysis is not done yet. Wait for it, then make the checklist.")
  end
end
