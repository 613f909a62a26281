# frozen_string_literal: true

module Store
  # What is thrown away stays in the table, with the moment, until it is brought back or thrown away for good. Whoever includes it says which table that is
  # (`table`) and what its rows are called (`kind`).
  module TakenAway
    # @param id [Integer]
    # @return [Hash] thrown away until it is brought back
    # @raise [Missing]
    def take_away(id)
      find(id)
      db[table].where(id:).update(deleted_at: now)
      db[table][id:]
    end

    # @param id [Integer]
    # @return [Hash] as it was
    # @raise [Missing] when it was thrown away for good
    def bring_back(id)
      existing(db[table][id:], kind)
      db[table].where(id:).update(deleted_at: nil)
      find(id)
    end

    private

    def standing = db[table].where(deleted_at: nil)

    def there(id)
      row = existing(db[table][id:], kind)
      raise Missing, "This #{kind} was deleted. It can be restored from where it was listed." if row[:deleted_at]

      row
    end
  end
end
