# frozen_string_literal: true

module Api
  # The sounds of a study: the cards of all layers of all its references.
  class Sounds < Base
    helpers do
      def sound_rows(study)
        library.references.of_study(study[:id]).flat_map { |reference| written(reference).then { |cards| cards + measured(reference, cards.map { |card| card[:name] }) } }
      end

      def written(reference)
        library.readings.of_aspect(reference[:id], "layer").map do |reading|
          { reading_id: reading[:id], reference_id: reference[:id], song: reference[:title] }.merge(reading[:value].slice(:name, :role)).merge(card: reading[:value][:card] || {})
        end
      end

      # What stems tell of layers whose card nobody has filled.
      def measured(reference, known)
        return [] if library.stems.of_reference(reference[:id]).empty?

        data = library.sheet(reference)&.analysis&.to_h or return []
        data[:stems].reject { |stem| known.include?(stem[:name]) }.map do |stem|
          card = Ethoscope::Sheet::MeasuredCard.new(data, stem[:name]).to_h
          { reading_id: nil, reference_id: reference[:id], song: reference[:title], name: stem[:name], role: stem[:role], card: }
        end
      rescue Store::Unshowable
        []
      end
    end

    get "/studies/:id/sounds" do |id|
      study = library.studies.find(number(id))
      answer(sounds: sound_rows(study))
    end

    # A copy of a layer's card in another reference, without its place in the song.
    post "/readings/:id/copies" do |id|
      reading = library.readings.find(number(id))
      raise Problem.new(422, "invalid", "Only layers have cards that can be copied.") unless reading[:aspect] == "layer"

      target = reference_of(input(Schemas::LayerCopy)[:reference_id])
      sheet_of(target)
      from = reference_of(reading[:reference_id])
      value = reading[:value].slice(:name, :role, :card).merge(spans: [])
      edit(target, "Copy #{reading[:statement]} from #{from[:title]}", 201) do |readings|
        readings.note(target[:id], { aspect: "layer", value:, statement: reading[:statement], source: "heard", note: "from #{from[:title]}" })
      end
    end
  end
end
