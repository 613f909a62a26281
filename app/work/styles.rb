# frozen_string_literal: true

module Work
  # The profile of a study: which of its songs count, beside which other music, and what another study has of it.
  class Styles
    # Songs of other studies that make other music of them.
    FEWEST = 8
    COUNTED = %w[core side].freeze

    # @param library [Store::Library]
    # @param study [Hash]
    def initialize(library, study)
      @library = library
      @study = study
      @references = library.references.of_study(study[:id])
    end

    # @param against [String] generated, others, or the id of a study
    # @return [Array] changes whenever the other music does
    def stamp(against) = [baselines, against == "generated" ? nil : @library.vectors.stamps(neighbours(against))]

    # @param against [String]
    # @return [Hash] all that the page of the profile shows
    # @raise [Refused] when no song is analysed, or all of them are set aside
    def page(against)
      builder = builder(against)
      { study: @study, against:, baselines:, profile: Ethoscope::Plain.frozen(builder.profile), others: others(builder.claims),
        left_out: @references.select { |row| problems.key?(row[:id]) }.map { |row| row[:title] } }
    end

    # @param against [String]
    # @param ids [Array<String>] of claims
    # @return [Array<Ethoscope::Profile::Claim>]
    # @raise [Refused] when the profile says none of them
    def claims(against, ids)
      found = builder(against).claims.all.select { |claim| ids.include?(claim.id) }
      found.any? ? found : raise(Refused.new(:gone, "The profile says none of this any more. Open it again.", "claims"))
    end

    # @param with [String] side, or the id of a study
    # @return [Hash] both titles with how many songs, and the lines
    def comparison(with)
      here, there = with == "side" ? [of("core"), of("side")] : [counted, neighbours(with).then { |rows| @library.songs.of(rows).first.values }]
      raise Refused.new(:nothing_analysed, "There is nothing to compare: no song of it is analysed.", "with") if here.empty? || there.empty?

      lines = Ethoscope::Profile::Comparison.new(*[here, there].map { |list| claims_of(list) }).lines
      { here: { title: @study[:title], songs: here.size }, there: { title: title(with), songs: there.size }, lines: lines.map(&:to_h) }
    end

    private

    def all = @all ||= @library.songs.of(@references)

    def problems = all.last

    def counted = all.first.values.select { |song| COUNTED.include?(song.standing) }

    def of(standing) = all.first.values.select { |song| song.standing == standing }

    def claims_of(songs) = Ethoscope::Profile::Claims.new(songs.map(&:traits), weights: songs.map(&:weight))

    def builder(against)
      raise Refused.new(:nothing_analysed, "No reference is analysed yet. Add one, or wait until its analysis is done.") if all.first.empty?
      raise Refused.new(:nothing_analysed, "All songs are set aside. Bring one back on the study's page.") if counted.empty?

      Ethoscope::Profile::Builder.new(counted, entries: @library.entries.by_kind(@study[:id]).method(:[]), baseline: baseline(against))
    end

    def baseline(against)
      return Ethoscope::Profile::Baseline.shipped if against == "generated"

      Ethoscope::Profile::Baseline.new(title(against), @library.songs.of(neighbours(against)).first.values.map(&:traits))
    end

    def title(against) = { "others" => "your other studies", "side" => "#{@study[:title]}, at the side" }.fetch(against) { @library.studies.find(Integer(against))[:title] }

    def neighbours(against)
      against == "others" ? @library.references.elsewhere(@study[:id]) : @library.references.of_study(@library.studies.find(Integer(against))[:id])
    end

    def baselines
      @baselines ||= begin
        shipped = Ethoscope::Profile::Baseline.shipped
        counts = @library.references.elsewhere(@study[:id]).group_by { |row| row[:study_id] }.transform_values(&:size)
        own = counts.values.sum >= FEWEST ? [{ id: "others", name: "your other studies", songs: counts.values.sum }] : []
        [{ id: "generated", name: shipped.name, songs: shipped.songs.size }, *own,
         *counts.map { |id, songs| { id: id.to_s, name: @library.studies.find(id)[:title], songs: } }]
      end
    end

    # Songs that are not counted, and how much they have of what is said.
    def others(claims)
      said = claims.said
      all.first.values.reject { |song| COUNTED.include?(song.standing) }.map do |song|
        counts = said.map { |claim| claims.count(claim, [song.traits]) }
        { reference_id: song.id, title: song.title, standing: song.standing, has: counts.sum(&:first), of: counts.sum(&:last) }
      end
    end
  end
end
