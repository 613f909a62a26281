# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser_case"

# Every screen, by day and by night, held to the rules of an open checker of accessibility (WCAG 2.1 A and AA, with its best practices).
class AccessibleTest < BrowserCase
  CHECKER = File.read(File.expand_path("../../web/node_modules/axe-core/axe.min.js", __dir__))
  # By day all rules; by night the inks alone are others.
  RUN = <<~JAVASCRIPT
    const done = arguments[0];
    const told = (by) => ({ violations }) => violations.flatMap(({ id, nodes }) =>
      nodes.slice(0, 4).map((node) => `${by}: ${id}: ${node.html.slice(0, 160)} ${node.any.map((why) => why.message).join(" ").slice(0, 200)}`));
    const check = async () => {
      document.documentElement.dataset.theme = "day";
      const day = await axe.run(document, { resultTypes: ["violations"], runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "best-practice"] }).then(told("day"));
      document.documentElement.dataset.theme = "night";
      return [...day, ...await axe.run(document, { resultTypes: ["violations"], runOnly: { type: "rule", values: ["color-contrast"] } }).then(told("night"))];
    };
    check().then(done);
  JAVASCRIPT

  def setup
    super
    @study = new_study(title: "Low Water", target_bpm: 84.5, target_tonic: "C", target_mode: "minor")
    @reference = analysed(@study)
    analysed(@study, "Second")
    @list = Work::Planning.new(library, @study).create(from: "reference", reference_id: @reference[:id])
  end

  HOUSE = %w[/ /studies/new /settings /words /reckoner?sentence=swing /nowhere].freeze
  STUDY = %w[/reckoner /profile /checklists /attempts /logbook /sounds /techniques?kind=pedal /comparison].freeze
  SHEET = %w[?reading=key ?card=layer:bass /layers /paper].freeze

  def test_pages_of_the_house = assert_clean(HOUSE)

  def test_pages_of_a_study
    list = "/checklists/#{@list[:id]}"

    assert_clean(["", "#{list}?item=#{@list[:items][3][:id]}", "#{list}/paper", *STUDY].map { |path| "/studies/#{@study[:id]}#{path}" })
  end

  def test_sheets = assert_clean(["", *SHEET].map { |path| "#{sheet_of(@reference)}#{path}" })

  private

  def assert_clean(paths)
    faults = paths.to_h { |path| [path, faults_of(path)] }

    assert_empty(faults.reject { |_, list| list.empty? })
  end

  def faults_of(path)
    visit path
    find("h1", text: /./)
    page.execute_script(CHECKER)
    Capybara.using_wait_time(60) { page.evaluate_async_script(RUN) }
  end
end
