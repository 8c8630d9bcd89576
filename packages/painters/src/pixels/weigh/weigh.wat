;; What resampling consists of, four channels at a time: pixels of 8 or 16 bits a channel become pixels of four 32-bit
;; floats, 16 bytes; those are weighed and summed along their line, then lines are; and the sums become pixels again.
;; Pixels of three channels are read and written as if they had a fourth, which nobody looks at and the next one is written
;; over. `npm run wasm` makes code.ts of it.
(module
  (memory (export "memory") 1)

  ;; $count pixels, $stride bytes apart, as floats.
  (func (export "unpack8") (param $to i32) (param $count i32) (param $from i32) (param $stride i32)
    (local $end i32)
    (local.set $end (i32.add (local.get $to) (i32.shl (local.get $count) (i32.const 4))))
    (block $done
      (loop $pixel
        (br_if $done (i32.ge_u (local.get $to) (local.get $end)))
        (v128.store
          (local.get $to)
          (f32x4.convert_i32x4_u
            (i32x4.extend_low_i16x8_u (i16x8.extend_low_i8x16_u (v128.load32_zero (local.get $from))))))
        (local.set $to (i32.add (local.get $to) (i32.const 16)))
        (local.set $from (i32.add (local.get $from) (local.get $stride)))
        (br $pixel))))

  (func (export "unpack16") (param $to i32) (param $count i32) (param $from i32) (param $stride i32)
    (local $end i32)
    (local.set $end (i32.add (local.get $to) (i32.shl (local.get $count) (i32.const 4))))
    (block $done
      (loop $pixel
        (br_if $done (i32.ge_u (local.get $to) (local.get $end)))
        (v128.store
          (local.get $to)
          (f32x4.convert_i32x4_u (i32x4.extend_low_i16x8_u (v128.load64_zero (local.get $from)))))
        (local.set $to (i32.add (local.get $to) (i32.const 16)))
        (local.set $from (i32.add (local.get $from) (local.get $stride)))
        (br $pixel))))

  ;; Adds up the light of $count pixels, $by at a time: each group to the next pixel of $to. $table has the light of every value.
  (func (export "light8")
    (param $to i32) (param $count i32) (param $from i32) (param $stride i32) (param $by i32) (param $table i32)
    (local $left i32) (local $sum v128)
    (local.set $left (local.get $by))
    (local.set $sum (v128.load (local.get $to)))
    (loop $pixel
      (local.set $sum
        (f32x4.add
          (local.get $sum)
          (v128.load32_lane 2
            (i32.add (local.get $table) (i32.shl (i32.load8_u offset=2 (local.get $from)) (i32.const 2)))
            (v128.load32_lane 1
              (i32.add (local.get $table) (i32.shl (i32.load8_u offset=1 (local.get $from)) (i32.const 2)))
              (v128.load32_zero
                (i32.add (local.get $table) (i32.shl (i32.load8_u (local.get $from)) (i32.const 2))))))))
      (local.set $from (i32.add (local.get $from) (local.get $stride)))
      (local.set $left (i32.sub (local.get $left) (i32.const 1)))
      (if (i32.eqz (local.get $left))
        (then
          (v128.store (local.get $to) (local.get $sum))
          (local.set $to (i32.add (local.get $to) (i32.const 16)))
          (local.set $sum (v128.load (local.get $to)))
          (local.set $left (local.get $by))))
      (local.set $count (i32.sub (local.get $count) (i32.const 1)))
      (br_if $pixel (local.get $count)))
    (v128.store (local.get $to) (local.get $sum)))

  ;; Adds up the light of $count pixels, $by at a time: each group to the next pixel of $to. $table has the light of every value.
  (func (export "light16")
    (param $to i32) (param $count i32) (param $from i32) (param $stride i32) (param $by i32) (param $table i32)
    (local $left i32) (local $sum v128)
    (local.set $left (local.get $by))
    (local.set $sum (v128.load (local.get $to)))
    (loop $pixel
      (local.set $sum
        (f32x4.add
          (local.get $sum)
          (v128.load32_lane 2
            (i32.add (local.get $table) (i32.shl (i32.load16_u offset=4 (local.get $from)) (i32.const 2)))
            (v128.load32_lane 1
              (i32.add (local.get $table) (i32.shl (i32.load16_u offset=2 (local.get $from)) (i32.const 2)))
              (v128.load32_zero
                (i32.add (local.get $table) (i32.shl (i32.load16_u (local.get $from)) (i32.const 2))))))))
      (local.set $from (i32.add (local.get $from) (local.get $stride)))
      (local.set $left (i32.sub (local.get $left) (i32.const 1)))
      (if (i32.eqz (local.get $left))
        (then
          (v128.store (local.get $to) (local.get $sum))
          (local.set $to (i32.add (local.get $to) (i32.const 16)))
          (local.set $sum (v128.load (local.get $to)))
          (local.set $left (local.get $by))))
      (local.set $count (i32.sub (local.get $count) (i32.const 1)))
      (br_if $pixel (local.get $count)))
    (v128.store (local.get $to) (local.get $sum)))

  ;; $count floating-point pixels, rounded, $stride bytes apart; what is below 0 or beyond the most is cut off.
  (func (export "pack8") (param $to i32) (param $count i32) (param $from i32) (param $stride i32)
    (local $end i32) (local $whole v128)
    (local.set $end (i32.add (local.get $from) (i32.shl (local.get $count) (i32.const 4))))
    (block $done
      (loop $pixel
        (br_if $done (i32.ge_u (local.get $from) (local.get $end)))
        (local.set $whole
          (i32x4.trunc_sat_f32x4_u
            (f32x4.min
              (f32x4.add (v128.load (local.get $from)) (v128.const f32x4 0.5 0.5 0.5 0.5))
              (v128.const f32x4 255 255 255 255))))
        (local.set $whole (i16x8.narrow_i32x4_u (local.get $whole) (local.get $whole)))
        (v128.store32_lane 0 (local.get $to) (i8x16.narrow_i16x8_u (local.get $whole) (local.get $whole)))
        (local.set $from (i32.add (local.get $from) (i32.const 16)))
        (local.set $to (i32.add (local.get $to) (local.get $stride)))
        (br $pixel))))

  (func (export "pack16") (param $to i32) (param $count i32) (param $from i32) (param $stride i32)
    (local $end i32) (local $whole v128)
    (local.set $end (i32.add (local.get $from) (i32.shl (local.get $count) (i32.const 4))))
    (block $done
      (loop $pixel
        (br_if $done (i32.ge_u (local.get $from) (local.get $end)))
        (local.set $whole
          (i32x4.trunc_sat_f32x4_u
            (f32x4.min
              (f32x4.add (v128.load (local.get $from)) (v128.const f32x4 0.5 0.5 0.5 0.5))
              (v128.const f32x4 65535 65535 65535 65535))))
        (v128.store64_lane 0 (local.get $to) (i16x8.narrow_i32x4_u (local.get $whole) (local.get $whole)))
        (local.set $from (i32.add (local.get $from) (i32.const 16)))
        (local.set $to (i32.add (local.get $to) (local.get $stride)))
        (br $pixel))))

  ;; One line, resampled along itself: pixel x of $to is the sum of count[x] pixels of $line from first[x] on, each by its
  ;; weight; every pixel has room for $most weights.
  (func (export "across")
    (param $to i32) (param $width i32) (param $line i32)
    (param $first i32) (param $count i32) (param $weights i32) (param $most i32)
    (local $end i32) (local $from i32) (local $weight i32) (local $last i32) (local $sum v128)
    (local.set $end (i32.add (local.get $to) (i32.shl (local.get $width) (i32.const 4))))
    (block $done
      (loop $pixel
        (br_if $done (i32.ge_u (local.get $to) (local.get $end)))
        (local.set $from
          (i32.add (local.get $line) (i32.shl (i32.load (local.get $first)) (i32.const 4))))
        (local.set $weight (local.get $weights))
        (local.set $last
          (i32.add (local.get $weight) (i32.shl (i32.load (local.get $count)) (i32.const 2))))
        (local.set $sum (v128.const f32x4 0 0 0 0))
        (loop $one
          (local.set $sum
            (f32x4.add
              (local.get $sum)
              (f32x4.mul
                (v128.load (local.get $from))
                (v128.load32_splat (local.get $weight)))))
          (local.set $from (i32.add (local.get $from) (i32.const 16)))
          (local.set $weight (i32.add (local.get $weight) (i32.const 4)))
          (br_if $one (i32.lt_u (local.get $weight) (local.get $last))))
        (v128.store (local.get $to) (local.get $sum))
        (local.set $to (i32.add (local.get $to) (i32.const 16)))
        (local.set $first (i32.add (local.get $first) (i32.const 4)))
        (local.set $count (i32.add (local.get $count) (i32.const 4)))
        (local.set $weights (i32.add (local.get $weights) (i32.shl (local.get $most) (i32.const 2))))
        (br $pixel))))

  ;; Adds a line by its weight to the sum of others.
  (func (export "down") (param $to i32) (param $width i32) (param $line i32) (param $weight f32)
    (local $end i32) (local $by v128)
    (local.set $end (i32.add (local.get $to) (i32.shl (local.get $width) (i32.const 4))))
    (local.set $by (f32x4.splat (local.get $weight)))
    (block $done
      (loop $pixel
        (br_if $done (i32.ge_u (local.get $to) (local.get $end)))
        (v128.store
          (local.get $to)
          (f32x4.add
            (v128.load (local.get $to))
            (f32x4.mul (v128.load (local.get $line)) (local.get $by))))
        (local.set $to (i32.add (local.get $to) (i32.const 16)))
        (local.set $line (i32.add (local.get $line) (i32.const 16)))
        (br $pixel)))))
