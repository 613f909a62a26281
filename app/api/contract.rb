# frozen_string_literal: true

module Api
  # What each address answers, in the shapes that are declared once: for tests, for documentation and for the front end's types.
  module Contract
    extend Ethoscope::Contract::Notation

    EDITED = object(revision: Ethoscope::Contract::Notation::NUMBER, reading?: shape(:Reading), label?: maybe(Ethoscope::Contract::Notation::STRING))
    NOTHING = object
    STEM = object(stem: shape(:StemRow))
    SCORE = object(score: shape(:ScoreRow))
    ASSEMBLY = object(assembly: shape(:Assembly))
    SEPARATION = object(separation: shape(:Separation))
    TECHNIQUE = object(technique: shape(:TechniqueEntry))

    # By verb and address; the first that fits holds.
    ANSWERS = [
      [%r{\ADELETE /items/\d+/pins/}, object(item: shape(:Item))],
      [/\ADELETE .*readings/, EDITED], [%r{\ADELETE /items/}, object(checklist: shape(:Checklist))], [/\ADELETE /, NOTHING],
      [%r{\AGET /studies\z}, object(studies: list(shape(:StudyCard)), thrown_away: list(shape(:Study)))],
      [%r{\A(POST|PATCH) /studies(/file|/example|/\d+(/bring-back)?)?\z}, object(study: shape(:Study))],
      [%r{\AGET /studies/\d+\z}, shape(:StudyPage)], [%r{\APOST /studies/\d+/references\z}, object(reference: shape(:Reference))],
      [%r{\AGET /studies/\d+/progress}, shape(:Progress)], [%r{\AGET /studies/\d+/profile\b}, shape(:ProfilePage)],
      [%r{\APOST /studies/\d+/checklists\z}, object(checklist: shape(:Checklist))], [%r{\AGET /schools\z}, object(schools: list(shape(:School)))],
      [%r{\AGET /studies/\d+/sounds\z}, object(sounds: list(shape(:SoundRow)))], [%r{\AGET (/studies/\d+)?/techniques\z}, object(techniques: list(shape(:TechniqueEntry)))],
      [%r{\A(POST|PATCH) /studies/\d+/techniques}, TECHNIQUE], [%r{\A\w+ (/studies/\d+)?/assemblies}, ASSEMBLY],
      [%r{\AGET /references/\d+\z}, shape(:ReferencePage)], [%r{\APATCH /references/\d+\z}, object(reference: shape(:Reference))],
      [%r{\APOST /references/\d+/(bring-back|moves)\z}, object(reference: shape(:Reference))], [%r{\APOST /references/\d+/place\z}, NOTHING],
      [%r{\APOST /studies/\d+/many\z}, object(left: list(object(id: Ethoscope::Contract::Notation::NUMBER, why: Ethoscope::Contract::Notation::STRING)))],
      [%r{\AGET /house\z}, object(house: object(name: Ethoscope::Contract::Notation::STRING, settings: shape(:Settings)))],
      [%r{\APATCH /settings\z}, object(settings: shape(:Settings))], [%r{\AGET /search\b}, object(found: list(shape(:Hit)))],
      [%r{\AGET /references/\d+/known\b}, object(known: shape(:Known))], [%r{\AGET /reckoner\z}, object(groups: list(shape(:CalculatorGroup)))],
      [%r{\APOST /reckoner/}, object(reckoned: maybe(shape(:Reckoned)), problem: maybe(Ethoscope::Contract::Notation::STRING))],
      [%r{\APOST /references/\d+/analyses\z}, object(analysis: shape(:Run))], [%r{\A\w+ /references/\d+/parts\z}, SEPARATION],
      [%r{\AGET /references/\d+/chord\b}, object(chord: maybe(shape(:ChordReading)), problem: maybe(Ethoscope::Contract::Notation::STRING))],
      [%r{\AGET /references/\d+/scale\b}, object(scale: shape(:ScaleUse))], [%r{\APOST /references/\d+/taps\z}, object(tapped: shape(:Tapped))],
      [%r{\AGET /references/\d+/how-to/}, shape(:HowTo)], [%r{\A\w+ /references/\d+/score(?:/place)?\z}, SCORE],
      [%r{\A\w+ (/references/\d+)?/stems}, STEM], [%r{\A(POST|PATCH) /(references|readings)/\d+}, EDITED],
      [%r{\APOST /checklists/\d+/items\z}, object(item: shape(:Item))], [%r{\AGET /checklists/\d+/session\b}, object(session: shape(:Session))],
      [%r{\A(GET|PATCH|POST) (/checklists/\d+(/copies|/undo|/redo|/bring-back)?|/items/\d+/(move|split|join|clock))\z}, object(checklist: shape(:Checklist))],
      [%r{\A\w+ /items/\d+}, object(item: shape(:Item))], [%r{\AGET /studies/\d+/logbook\z}, shape(:Logbook)],
      [%r{\AGET /studies/\d+/attempts\z}, shape(:Attempts)], [%r{\A(GET|PUT) /attempts/\d+(/(verdicts|versions)/\d+)?\z}, shape(:AttemptPage)],
      [%r{\APOST /studies/\d+/attempts/parts\z}, ASSEMBLY], [%r{\APOST /attempts/\d+/list\z}, object(checklist: shape(:Checklist))],
      [%r{\A(POST|PATCH) /(studies/\d+/)?attempts}, object(attempt: shape(:AttemptRow))],
      [%r{\AGET /studies/\d+/comparison\b}, object(comparison: shape(:Comparison))], [%r{\APOST /studies/\d+/targets\z}, object(checklist: shape(:Checklist))]
    ].freeze

    SHAPES = [*Ethoscope::Contract::SongShapes::ALL, *Ethoscope::Contract::PlayingShapes::ALL, *Shapes::ALL].freeze

    # @param verb [String] such as GET
    # @param path [String] under /api
    # @param answer [Hash] parsed, with symbol keys
    # @return [Array<String>] where it is not as declared
    def self.problems(verb, path, answer)
      type = ANSWERS.find { |pattern, _| pattern.match?("#{verb} #{path}") }&.last or return ["#{verb} #{path} is not in the contract"]
      Ethoscope::Contract::Checker.new(SHAPES, Ethoscope::Contract::WordLists.all).problems(type, answer)
    end

    # @return [String] the front end's types
    def self.typescript
      words = Ethoscope::Contract::WordLists
      Ethoscope::Contract::Typescript.source(SHAPES, words.all, { "BEATS: Readonly<Record<string, number>>" => words.beats, "FORMATS" => words.formats })
    end

    # @return [String] docs/schema.md
    def self.documentation = Ethoscope::Contract::SchemaPage.page(HEAD, SHAPES, Ethoscope::Contract::WordLists.all)

    HEAD = <<~TEXT
      # The schema

      The shapes of an analysis and of what the interface answers, declared once in Ruby (`lib/ethoscope/contract`, `app/api/shapes.rb`). This page and the
      front end's types (`web/src/api/contract.ts`) are written from them by `rake contract:write`; `bin/test` fails when either differs, and every answer
      that a test of the interface gets is held to its shape.

      One schema serves command line (`--json`), interface, store, exports and front end. Times are seconds of the decoded file, bars count from 1, a pickup is
      bar 0. The beat is what a person taps: the dotted quarter in 6/8 and 12/8, the eighth in 7/8, else the quarter; `bpm` counts those. The sheet is an
      Analysis with what a person says laid over it (`Sheet::SongSheet`): it adds what stands of a person to chords, sections, techniques and changes, and
      `heard_layers` and `marks`. For profile, checklist and exports what was refuted is taken out, and a painted role takes the place of the measured one.
      Analyses of older engines lack some parts; they are read as "nothing found" (`Schema::Upgrade`). The corpus' scorer reads an Analysis as it is.
    TEXT
    private_constant :HEAD
  end
end
