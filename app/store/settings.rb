# frozen_string_literal: true

module Store
  # How a person likes it: how notes are named, which order of work comes first, keys, the volume at the start.
  class Settings < Rows
    USUAL = { names: "key", middle_c: "C4", school: "chords", volume: 35, shortcuts: true, keys: {} }.freeze
    MOST_KEYS = 200
    LONGEST = 60

    # @return [Hash] every setting, the usual ones where nobody said
    def all = USUAL.merge(db[:settings].select_hash(:name, :value).to_h { |name, value| [name.to_sym, JSON.parse(value, symbolize_names: true)] }.slice(*USUAL.keys))

    # @param changes [Hash] any of USUAL
    # @return [Hash] every setting after that
    # @raise [Ethoscope::Errors::Unfit] when keys are no keys
    def change(changes)
      check_keys(changes[:keys]) if changes[:keys]
      db.transaction(mode: :immediate) do
        changes.slice(*USUAL.keys).each { |name, value| db[:settings].insert_conflict(:replace).insert(name: name.to_s, value: JSON.generate(value)) }
      end
      all
    end

    private

    # By command the key that works it.
    def check_keys(keys)
      fit = keys.size <= MOST_KEYS && keys.all? { |name, key| name.to_s.size <= LONGEST && key.is_a?(String) && key.size <= LONGEST }
      raise Ethoscope::Errors::Unfit, "keys are a list of commands, each with the key that works it" unless fit
    end
  end
end
