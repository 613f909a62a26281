# frozen_string_literal: true

module Api
  # What a person decides about readings: confirm, correct, refute, add another source; undo and redo.
  class Decisions < Base
    DECIDED = { "open" => "Reopen %s", "confirmed" => "Confirm %s", "refuted" => "Mark %s as wrong" }.freeze

    helpers do
      def reading_and_reference(id)
        reading = library.readings.find(number(id))
        [reading, reference_of(reading[:reference_id])]
      end

      def named(reading) = Store::Readings::ASPECTS.include?(reading[:aspect]) ? reading[:aspect] : "#{reading[:aspect]} #{reading[:statement]}".strip

      def statement_fields(wanted)
        { value: Ethoscope::Plain.symbolized(wanted[:value]), source: wanted[:source] || "heard", note: wanted[:note].to_s, link: wanted[:link].to_s }
      end
    end

    post "/references/:id/readings" do |id|
      reference = reference_of(id)
      wanted = input(Schemas::NewReading)
      edit(reference, "Add what is said of the #{wanted[:aspect]}", 201) do |readings|
        readings.add(reference[:id], aspect: wanted[:aspect], **statement_fields(wanted))
      end
    end

    patch "/readings/:id" do |id|
      reading, reference = reading_and_reference(id)
      wanted = input(Schemas::ReadingState)
      edit(reference, format(DECIDED.fetch(wanted[:state]), named(reading))) do |readings|
        readings.mark(reading[:id], wanted[:state], reason: wanted[:note], link: wanted[:link])
      end
    end

    delete "/readings/:id" do |id|
      reading, reference = reading_and_reference(id)
      edit(reference, "Remove #{named(reading)}") { |readings| readings.delete(reading[:id]) }
    end

    post "/readings/:id/corrections" do |id|
      reading, reference = reading_and_reference(id)
      wanted = input(Schemas::Correction)
      edit(reference, "Correct #{reading[:aspect]}", 201) { |readings| readings.correct(reading[:id], **statement_fields(wanted)) }
    end

    %w[undo redo].each do |step|
      post "/references/:id/#{step}" do |id|
        reference = reference_of(id)
        label = library.journal.public_send(step, reference[:id], revision: seen_revision)
        edited(reference, { label: })
      end
    end
  end
end
