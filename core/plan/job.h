// What the binder said, and nothing else. Everything that follows from it is a Plan.
#pragma once

#include <map>
#include <optional>
#include <string>
#include <utility>
#include <variant>
#include <vector>

#include "core/plan/job_art.h"
#include "core/plan/job_cutting.h"
#include "core/quantity/units.h"

namespace drapery {

/// A number (mm for a length) or a text as the binder wrote it ("7 3/16 in", "backed", "1/3").
using Written = std::variant<double, std::string>;

/// One reading of a measure: where it was taken and with what.
struct Reading {
  Written value;
  std::string at;  // "head", "tail" ...; may be empty
  std::string by;  // "rule", "caliper", "strip" ...; may be empty
  friend bool operator==(const Reading& a, const Reading& b) {
    return a.value == b.value && a.at == b.at && a.by == b.by;
  }
};

/// What was said for one field: a value; several readings of it, whose mean counts; or the material
/// that it is the thickness of.
struct Entry {
  Written value;
  std::vector<Reading> readings;  // when not empty, `value` is not used
  std::string material = {};      // the id; when not empty, neither of the two is used
  friend bool operator==(const Entry& a, const Entry& b) {
    return a.readings == b.readings && a.material == b.material &&
           (!a.readings.empty() || !a.material.empty() || a.value == b.value);
  }
};

using Entries = std::map<std::string, Entry, std::less<>>;

/// How the book is sewn, as far as it was said; the plan tells the rest.
struct JobSewing {
  std::string kind;           // "stab", "link", "tapes"; empty: as the method says
  std::string pattern;        // of stab sewing; empty: as the method says
  Entries given, allowances;  // of the sewing's own
  std::optional<int> start;   // the hole, from 1
  std::string finish;         // "buried", "glued", "ornament"; empty: buried
  std::string hand;           // "right", "left"; empty: right
  friend bool operator==(const JobSewing& a, const JobSewing& b) {
    return a.kind == b.kind && a.pattern == b.pattern && a.given == b.given &&
           a.allowances == b.allowances && a.start == b.start && a.finish == b.finish &&
           a.hand == b.hand;
  }
};

struct Job {
  std::string id;  // UUID
  std::string title;
  std::string method;
  std::string why;  // this method and no other: the binder's own words; may be empty
  Units units = Units::Millimetres;
  std::string rules;  // which version of the method it was last kept under; empty: not known
  std::optional<Written> round;   // the rule in hand; without: 0.5 mm or 1/32 in
  std::optional<Written> copies;  // of the book; without: one
  Entries given;
  Entries allowances;
  std::map<std::string, Entries, std::less<>> otherAllowances;  // by method, waiting
  Entries fixed;                                                // values said instead of computed
  std::map<std::string, Entries, std::less<>> asCut;  // pieces as they are: "width", "height"
  JobCutting cutting;
  JobArt art;
  std::optional<JobSewing> sewing;
  std::vector<std::pair<std::string, std::string>>
      kept;  // unknown keys of a newer version, as JSON
};

}  // namespace drapery
