// For large values that many files copy: how they are made, copied, moved, destroyed and compared is declared in the
// value and defined once, in its own file. What the compiler would write is the same; it is only not written again by
// every file that copies one (a third to two thirds of the time of building such files).
//
//   struct Look {
//       AMBER_COPIED_APART(Look)      in look.h, among the members
//   };
//   AMBER_COPIES_OF(Look)             in look.cpp
#pragma once

#define AMBER_COPIED_APART(Type)                                                                                       \
    Type();                                                                                                            \
    Type(const Type& other);                                                                                           \
    Type(Type&& other) noexcept;                                                                                       \
    Type& operator=(const Type& other);                                                                                \
    Type& operator=(Type&& other) noexcept;                                                                            \
    ~Type();                                                                                                           \
    bool operator==(const Type& other) const;

#define AMBER_COPIES_OF(Type)                                                                                          \
    Type::Type() = default;                                                                                            \
    Type::Type(const Type& other) = default;                                                                           \
    Type::Type(Type&& other) noexcept = default;                                                                       \
    Type& Type::operator=(const Type& other) = default;                                                                \
    Type& Type::operator=(Type&& other) noexcept = default;                                                            \
    Type::~Type() = default;                                                                                           \
    bool Type::operator==(const Type& other) const = default;
