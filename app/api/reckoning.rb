# frozen_string_literal: true

module Api
  # The reckoner: its sentences, what they come to, and what of a song goes into their blanks.
  class Reckoning < Base
    get("/reckoner") { answer(groups: Ethoscope::Calculators::Reckoner.to_h) }

    # Asked with every figure that is typed, so what can't be read yet is an answer, not an error.
    post "/reckoner/:id" do |id|
      calculator = Ethoscope::Calculators::Reckoner.named(id) or raise Store::Missing, "There is no such calculation."
      written = input(Schemas::Written)[:written].transform_values(&:to_s)
      answer(reckoned: calculator.answer(written).to_h, problem: nil)
    rescue Ethoscope::Errors::Unfit => e
      answer(reckoned: nil, problem: "#{e.message[0].upcase}#{e.message[1..].delete_suffix(".")}.")
    end

    get "/references/:id/known" do |id|
      reference = reference_of(id)
      song = library.song(reference) or raise Problem.new(409, "not_analysed", "This reference has no finished analysis yet.")
      question = asked(Schemas::KnownQuestion)
      wanted = Work::Wanted.of(library.studies.find(reference[:study_id]))
      told = question[:as] == "mine" ? song.vector.restated(wanted.restatement(song.vector)) : song.vector
      known = Ethoscope::Calculators::Known.new(song.vector, told:, bpm: wanted.bpm, key: wanted.key, layer: question[:layer])
      answer(known: { title: reference[:title], layers: known.layers, known: known.to_h })
    end
  end
end
