declare module 'class-transformer/cjs/storage' {
  import type { IOptions } from 'class-validator-jsonschema/build/options';
  export const defaultMetadataStorage: IOptions['classTransformerMetadataStorage'];
}
