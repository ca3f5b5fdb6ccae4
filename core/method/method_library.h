// Where methods come from: those that ship with the program, and a binder's own in a folder.
#pragma once

#include <map>
#include <string>
#include <vector>

#include "core/material/material_shelf.h"
#include "core/method/method_loader.h"

namespace drapery {

/// The rule files built into the program, bases among them, in the order they are offered.
const std::vector<TomlFile>& shippedMethods();

class MethodLibrary {
 public:
  MethodLibrary();
  /// Also offers the `*.toml` files in `folder`; their ids must not be those of shipped methods.
  /// Materials that jobs may name come from `shelf`.
  explicit MethodLibrary(const std::string& folder, ShelfPtr shelf = makeShelf());
  [[nodiscard]] const ShelfPtr& shelf() const { return shelf_; }

  /// Ids that a job may name, shipped ones first.
  [[nodiscard]] std::vector<std::string> ids() const;
  [[nodiscard]] bool knows(std::string_view id) const;
  /// Loads the method, once; `issues` says why when it does not.
  [[nodiscard]] LoadedMethod load(std::string_view id) const;
  /// The title in the method's own file, without loading it; the id when there is none.
  [[nodiscard]] std::string title(std::string_view id) const;
  [[nodiscard]] std::optional<TomlFile> source(std::string_view id) const;

 private:
  struct Entry {
    std::string id;
    TomlFile source;
    bool isShipped = true;
    mutable std::string title;  // once it was asked for
  };
  [[nodiscard]] const Entry* find(std::string_view id) const;
  std::vector<Entry> entries_;
  ShelfPtr shelf_ = makeShelf();
  mutable std::map<std::string, LoadedMethod, std::less<>> loaded_;  // not for several threads
};

/// A base, shared ground for methods, by its text: holds `is_base = true`.
bool isBaseSource(const TomlFile& source);

}  // namespace drapery
