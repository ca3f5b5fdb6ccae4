// The materials that a job may name: those that ship, and a binder's own in a folder.
#pragma once

#include <map>
#include <memory>
#include <mutex>
#include <string>
#include <vector>

#include "core/material/material.h"
#include "core/toml/toml_file.h"

namespace drapery {

/// The material files built into the program.
const std::vector<TomlFile>& shippedMaterials();

/// For any number of threads.
class MaterialCatalogue {
 public:
  /// Reads `sources` when a material is first asked for. Of two with the same id the later one
  /// counts, so that a binder's own figures replace the shipped ones.
  explicit MaterialCatalogue(std::vector<TomlFile> sources, Issues leftOut = {});

  [[nodiscard]] const Material* find(std::string_view id) const;
  [[nodiscard]] const std::vector<Material>& all() const;
  /// How it is sold; null where nothing is known of it.
  [[nodiscard]] const MaterialKind* kind(std::string_view id) const;
  [[nodiscard]] const std::vector<MaterialKind>& kinds() const;
  /// What lies in the folder and is not read, and why.
  [[nodiscard]] const Issues& leftOut() const { return leftOut_; }
  /// What is wrong with the files, each placed; a wrong material is left out.
  [[nodiscard]] const Issues& issues() const;

 private:
  void read() const;
  void readAll() const;
  std::vector<TomlFile> sources_;
  mutable std::once_flag isRead_;
  Issues leftOut_;
  mutable std::vector<Material> materials_;
  mutable std::map<std::string, std::size_t, std::less<>> index_;  // of materials, by id
  mutable std::vector<MaterialKind> kinds_;
  mutable Issues issues_;
};

using CataloguePtr = std::shared_ptr<const MaterialCatalogue>;

/// The shipped materials, and the `*.toml` files in `folder` after them.
CataloguePtr makeCatalogue(const std::string& folder = {});

}  // namespace drapery
